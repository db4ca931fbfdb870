import { building } from '../program/index.ts';
import type { Program } from '../program/index.ts';
import { boundCoachS, coachS, droppedPoints, optionOf, ownPoints, wantsEyes } from './fits.ts';
import type { Prepared } from './fits.ts';
import { profilesOf } from './exact.ts';
import { ABOUT_FORM, A_HAIR, MOVE_S, POINTS, floorS } from './hour.ts';
import type { Doing } from './hour.ts';

/** One person's choices are listed up to so many; beyond it their time is only summed. */
const MOST_CHOICES = 400;

/**
 * The hour without its rounds: places in all, times in all, and for each person only such choices as pack into the
 * rounds. What it costs, every plan costs at least: a bound that is found soon.
 */
export function cellsOf(p: Prepared): Program {
  const { hour, times, rounds: B } = p;
  const { program, col, row } = building();
  const whole = { upper: 1, integer: true };
  const free = { upper: 1, integer: false };
  const profiles = profilesOf(p);
  const used = Array.from({ length: B }, () => col(POINTS.round, whole));
  for (let b = 1; b < B; b++)
    row(
      [
        [used[b - 1]!, 1],
        [used[b]!, -1],
      ],
      { lower: 0 },
    );
  const all = (each: number) => used.map((u) => [u, -each] as const);
  const ys = profiles.map((q) =>
    col(ABOUT_FORM[hour.places[q.kind]!.form].points, { upper: B * q.most, integer: true }),
  );
  interface X {
    d: Doing;
    q: number;
    col: number;
  }
  const xs: X[] = [];
  const dropped = hour.pieces.map((piece) => col(droppedPoints(piece), whole));
  const watched = new Map<number, number>();
  hour.pieces.forEach((piece, j) => {
    const seen = wantsEyes(p, j);
    const from = p.from[p.person[j]!] ?? 0;
    piece.options.forEach((o, option) => {
      const d = { piece: j, option };
      if (p.kindOf[j]![option] === null || p.solo[j]![option]! > times.capS + A_HAIR || from >= B) return;
      // As cheap as it can be in any round; that heavy pieces cannot all come first is said below.
      const rounds = Array.from({ length: B - from }, (_, i) => from + i);
      const own = Math.min(...rounds.map((b) => ownPoints(p, d, b) - (piece.heavy ? b : 0)));
      const states =
        o.at === null
          ? [-1]
          : profiles.flatMap((q, i) =>
              q.doing.some((x) => x.piece === j && x.option === option) ? [i] : [],
            );
      for (const q of states)
        xs.push({ d, q, col: col(own + (seen && !o.hands ? POINTS.unseen : 0), whole) });
    });
    if (seen) watched.set(j, col(-POINTS.unseen, whole));
  });
  const of = (j: number, option?: number) =>
    xs.filter((x) => x.d.piece === j && (option === undefined || x.d.option === option));
  hour.pieces.forEach((_, j) =>
    row([...of(j).map((x) => [x.col, 1] as const), [dropped[j]!, 1]], { lower: 1, upper: 1 }),
  );
  profiles.forEach((q, i) => {
    const kind = hour.places[q.kind]!;
    const room = times.capS - ABOUT_FORM[kind.form].setUpS;
    const here = xs.filter((x) => x.q === i);
    row([...here.map((x) => [x.col, 1] as const), [ys[i]!, -kind.most]], { upper: 0 });
    row([...here.map((x) => [x.col, p.busy[x.d.piece]![x.d.option]!] as const), [ys[i]!, -room]], {
      upper: 0,
    });
    for (const x of here)
      row(
        [
          [x.col, 1],
          [ys[i]!, -1],
        ],
        { upper: 0 },
      );
    row([[ys[i]!, 1], ...all(q.most)], { upper: 0 });
  });
  hour.places.forEach((kind, k) =>
    row([...profiles.flatMap((q, i) => (q.kind === k ? [[ys[i]!, 1] as const] : [])), ...all(kind.count)], {
      upper: 0,
    }),
  );
  row(
    [
      ...xs.filter((x) => x.q < 0).map((x) => [x.col, floorS(optionOf(p, x.d))] as const),
      ...all(hour.floorPlaces * times.capS),
    ],
    { upper: 0 },
  );
  for (const pool of hour.pools)
    row(
      [
        ...xs.flatMap((x) => {
          const taken = optionOf(p, x.d).pools.find((o) => o.id === pool.id);
          return taken ? [[x.col, taken.count * p.solo[x.d.piece]![x.d.option]!] as const] : [];
        }),
        ...all(pool.count * times.capS),
      ],
      { upper: 0 },
    );
  row(
    [
      ...[...watched].map(([j, w]) => [w, p.watchS[j]!] as const),
      ...xs.flatMap((x) => {
        const s = boundCoachS(p, x.d);
        return s > 0 ? [[x.col, s] as const] : [];
      }),
      ...all(coachS(p)),
    ],
    { upper: 0 },
  );
  for (const [j, w] of watched)
    row(
      [
        [w, 1],
        ...of(j)
          .filter((x) => !optionOf(p, x.d).hands)
          .map((x) => [x.col, -1] as const),
      ],
      { upper: 0 },
    );

  hour.people.forEach((_, who) => {
    const own = hour.pieces.flatMap((_, j) => (p.person[j] === who ? [j] : []));
    const choices = packing(p, own, B - (p.from[who] ?? 0));
    if (!choices) {
      const mine = xs.filter((x) => p.person[x.d.piece] === who);
      row(
        [
          ...mine.map((x) => [x.col, p.solo[x.d.piece]![x.d.option]! + MOVE_S] as const),
          ...all(times.capS + MOVE_S),
        ],
        { upper: 0 },
      );
      row([...mine.filter((x) => x.q >= 0).map((x) => [x.col, 1] as const), ...all(1)], { upper: 0 });
      return;
    }
    const zs = choices.map((c) => ({ c, col: col(0, free) }));
    row(
      zs.map((z) => [z.col, 1] as const),
      { lower: 1, upper: 1 },
    );
    for (const j of own)
      hour.pieces[j]!.options.forEach((_, option) => {
        const with1 = zs.filter((z) => z.c.some((d) => d.piece === j && d.option === option));
        row([...of(j, option).map((x) => [x.col, 1] as const), ...with1.map((z) => [z.col, -1] as const)], {
          lower: 0,
          upper: 0,
        });
      });
  });

  // Heavy pieces fill racks and benches round by round; a later round costs its number.
  const heavy = xs.filter((x) => x.q >= 0 && hour.pieces[x.d.piece]!.heavy);
  if (heavy.length > 0) {
    const room = hour.places.reduce(
      (sum, kind, k) => sum + (heavy.some((x) => profiles[x.q]!.kind === k) ? kind.count * kind.most : 0),
      0,
    );
    const filled = used.map((u, b) => {
      const h = col(b, { upper: room, integer: false });
      row(
        [
          [h, 1],
          [u, -room],
        ],
        { upper: 0 },
      );
      return h;
    });
    row([...heavy.map((x) => [x.col, 1] as const), ...filled.map((h) => [h, -1] as const)], { upper: 0 });
  }
  return program;
}

/** Every choice of somebody's pieces and options that packs into so many rounds; null: too many to list. */
function packing(p: Prepared, own: readonly number[], rounds: number): Doing[][] | null {
  const count = own.reduce((n, j) => n * (p.hour.pieces[j]!.options.length + 1), 1);
  if (count > MOST_CHOICES || own.length > 6) return null;
  const room = p.times.capS + MOVE_S + A_HAIR;
  const packs = (chosen: readonly Doing[]): boolean => {
    if (rounds <= 0) return chosen.length === 0;
    const sorted = [...chosen].sort((a, b) => needOf(b) - needOf(a));
    const full = new Array<number>(rounds).fill(0);
    const contested = new Array<boolean>(rounds).fill(false);
    const put = (i: number): boolean => {
      const d = sorted[i];
      if (!d) return true;
      const at = p.kindOf[d.piece]![d.option]! >= 0;
      const seen = new Set<string>();
      for (let b = 0; b < rounds; b++) {
        const key = `${full[b]} ${contested[b]}`;
        if (seen.has(key) || full[b]! + needOf(d) > room || (at && contested[b])) continue;
        seen.add(key);
        full[b]! += needOf(d);
        const before = contested[b]!;
        if (at) contested[b] = true;
        if (put(i + 1)) return true;
        contested[b] = before;
        full[b]! -= needOf(d);
      }
      return false;
    };
    return put(0);
  };
  const needOf = (d: Doing) => p.solo[d.piece]![d.option]! + MOVE_S;
  let lists: Doing[][] = [[]];
  for (const j of own)
    lists = lists.flatMap((list) => [
      list,
      ...p.hour.pieces[j]!.options.flatMap((_, option) =>
        p.kindOf[j]![option] === null ? [] : [[...list, { piece: j, option }]],
      ),
    ]);
  return lists.filter(packs);
}
