import type { Doing, Hour, HourPlan, PlaceForm } from '../plan/index.ts';

// The rules of an hour and its points once more, by hand and in words of their own: nothing of core/plan is asked.

const SET_UP: Record<PlaceForm | 'floor', number> = { rack: 60, bench: 45, box: 15, machine: 30, floor: 10 };
const TURN: Record<PlaceForm | 'floor', number> = { rack: 20, bench: 20, box: 10, machine: 15, floor: 0 };
const SET_UP_POINTS: Record<PlaceForm, number> = { rack: 3, bench: 1, box: 1, machine: 1 };

/** Every rule that a plan breaks, as a sentence; none: it can be done. */
export function brokenRules(hour: Hour, plan: HourPlan): string[] {
  const broken: string[] = [];
  const { lengthS } = plan.times;
  const cap = 0.9 * lengthS;
  const optionOf = (d: Doing) => hour.pieces[d.piece]!.options[d.option]!;
  const personOf = (d: Doing) => hour.pieces[d.piece]!.person;
  const wholeS = (d: Doing) =>
    optionOf(d).sets * optionOf(d).workS + (optionOf(d).sets - 1) * optionOf(d).restS;
  const times = new Map<number, number>();
  plan.rounds.forEach((round, r) => {
    const alone: { d: Doing; s: number; contested: boolean }[] = [];
    for (const s of round.shared) {
      const kind = hour.places[s.kind]!;
      const at = `round ${r}, ${kind.id} ${s.number}`;
      if (s.doing.length === 0) broken.push(`${at}: nobody`);
      if (s.doing.length > kind.most) broken.push(`${at}: ${s.doing.length} people`);
      const busy = s.doing.reduce(
        (sum, d) => sum + optionOf(d).sets * (optionOf(d).workS + TURN[kind.form]),
        0,
      );
      if (busy > cap - SET_UP[kind.form] + 1e-6) broken.push(`${at}: ${busy} s of turns`);
      for (const d of s.doing) {
        if (optionOf(d).at !== kind.id) broken.push(`${at}: piece ${d.piece} belongs elsewhere`);
        alone.push({ d, s: SET_UP[kind.form] + wholeS(d), contested: true });
      }
      const loads = s.doing.flatMap((d) => optionOf(d).loadKg ?? []);
      if (kind.form === 'rack' || kind.form === 'bench')
        if (loads.length > 0 && Math.max(...loads) - Math.min(...loads) > 20 + 1e-6)
          broken.push(`${at}: loads ${loads.join()}`);
      if (kind.form === 'bench') {
        const loaded = s.doing.filter((d) => (optionOf(d).loadKg ?? 0) > 0).length;
        if (loaded > 0 && loaded < s.doing.length) broken.push(`${at}: with and without a bar`);
      }
      const notches = s.doing.flatMap((d) => optionOf(d).notch ?? []);
      if (kind.form === 'rack' && notches.length > 0 && Math.max(...notches) - Math.min(...notches) > 2)
        broken.push(`${at}: notches ${notches.join()}`);
      if (kind.form === 'box')
        for (const d of s.doing)
          if (
            s.heightM !== null &&
            optionOf(d).heightM !== null &&
            Math.abs(optionOf(d).heightM! - s.heightM) > 0.025 + 1e-6
          )
            broken.push(`${at}: a box of ${s.heightM} for ${optionOf(d).heightM}`);
    }
    hour.places.forEach((kind, k) => {
      const here = round.shared.filter((s) => s.kind === k);
      if (here.length > kind.count) broken.push(`round ${r}: ${here.length} of ${kind.id}`);
      if (new Set(here.map((s) => s.number)).size < here.length)
        broken.push(`round ${r}: one ${kind.id} twice`);
      if (here.some((s) => !(kind.numbers ?? [...Array(kind.count).keys()]).includes(s.number)))
        broken.push(`round ${r}: a ${kind.id} that is not there`);
      for (const h of new Set(here.flatMap((s) => s.heightM ?? [])))
        if (here.filter((s) => s.heightM === h).length > kind.heightsM.filter((x) => x === h).length)
          broken.push(`round ${r}: too many of ${kind.id} ${h}`);
    });
    for (const d of round.floor) {
      if (optionOf(d).at !== null) broken.push(`round ${r}: piece ${d.piece} on the floor`);
      alone.push({ d, s: 10 + wholeS(d), contested: false });
    }
    const floor = round.floor.reduce((sum, d) => sum + wholeS(d), 0);
    if (floor > hour.floorPlaces * cap + 1e-6) broken.push(`round ${r}: the floor is too full`);
    for (const pool of hour.pools) {
      const used = alone.reduce((sum, { d, s }) => {
        const of = optionOf(d).pools.find((x) => x.id === pool.id);
        return sum + (of ? of.count * s : 0);
      }, 0);
      if (used > pool.count * cap + 1e-6) broken.push(`round ${r}: too few of ${pool.id}`);
    }
    for (const who of hour.people) {
      const own = alone.filter(({ d }) => personOf(d) === who.id);
      if (own.length > 0 && r < who.from) broken.push(`round ${r}: ${who.id} is not here yet`);
      if (own.filter((x) => x.contested).length > 1) broken.push(`round ${r}: ${who.id} at two places`);
      if (own.some((x) => x.s > cap + 1e-6)) broken.push(`round ${r}: ${who.id} is longer than a round`);
      if (own.reduce((sum, x) => sum + x.s + 30, 0) > cap + 30 + 1e-6)
        broken.push(`round ${r}: ${who.id} has too much`);
    }
    const coach = alone.reduce((sum, { d }) => {
      const all = optionOf(d).sets * optionOf(d).workS;
      return sum + (optionOf(d).hands ? hour.coach.atOnce * all : hour.pieces[d.piece]!.mustWatch ? all : 0);
    }, 0);
    if (coach > hour.coach.atOnce * lengthS * hour.coach.share + 1e-6)
      broken.push(`round ${r}: too few hands`);
    for (const { d } of alone) times.set(d.piece, (times.get(d.piece) ?? 0) + 1);
  });
  hour.pieces.forEach((_, j) => {
    const n = times.get(j) ?? 0;
    if (n > 1) broken.push(`piece ${j} ${n} times`);
    if (n === 0 && !plan.dropped.includes(j)) broken.push(`piece ${j} is lost`);
    if (n > 0 && plan.dropped.includes(j)) broken.push(`piece ${j} is done and left out`);
  });
  return broken;
}

/** The points of a plan, counted from the beginning. */
export function countedPoints(hour: Hour, plan: HourPlan): number {
  let points = 0;
  const last = plan.rounds.reduce((n, r, i) => (r.floor.length + r.shared.length > 0 ? i + 1 : n), 0);
  points += 10 * last;
  for (const j of plan.dropped) {
    const piece = hour.pieces[j]!;
    points += 100 * piece.priority + (piece.watched > 0 && !piece.mustWatch ? 25 : 0);
  }
  plan.rounds.forEach((round, r) => {
    const all = [...round.floor, ...round.shared.flatMap((s) => s.doing)];
    for (const s of round.shared) points += SET_UP_POINTS[hour.places[s.kind]!.form];
    let left = hour.coach.atOnce * plan.times.lengthS * hour.coach.share;
    const wanting: number[] = [];
    for (const d of all) {
      const piece = hour.pieces[d.piece]!;
      const o = piece.options[d.option]!;
      if (o.variation !== piece.options[0]!.variation) points += 10;
      if (piece.heavy) points += r;
      if (piece.was) points += piece.was.round !== r ? 5 : piece.was.at !== o.at ? 2 : 0;
      if (piece.wish?.round !== undefined && piece.wish.round !== r) points += 15;
      if (piece.wish?.at !== undefined && piece.wish.at !== o.at) points += 15;
      if (o.hands) left -= hour.coach.atOnce * o.sets * o.workS;
      else if (piece.mustWatch) left -= o.sets * o.workS;
      else if (piece.watched > 0)
        wanting.push(Math.min(piece.watched, piece.options[0]!.sets) * piece.options[0]!.workS);
    }
    for (const s of wanting.sort((a, b) => a - b)) {
      if (s <= left + 1e-6) left -= s;
      else points += 25;
    }
  });
  return points;
}
