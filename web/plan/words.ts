import type { Span } from '../../contract/plan.ts';
import type { Change, PlaceKind, Refused, Turn, Where } from '../../core/plan/index.ts';
import { minutes } from '../dose/index.ts';
import { mass } from '../ui/index.ts';

const minutesOf = (s: number) => `${Math.ceil(s / 60)} min`;

/** What reasons are told with. */
export interface Naming {
  kinds: readonly PlaceKind[];
  /** Name of a piece of work with its person. */
  piece: (id: string) => string;
  /** The work alone. */
  work: (id: string) => string;
  unit: 'kg' | 'lb';
}

export const placeName = (kind: Pick<PlaceKind, 'name' | 'count'> | undefined, number: number): string =>
  !kind ? 'a place' : kind.count > 1 || number > 0 ? `${kind.name} ${number + 1}` : kind.name;

export const whereWords = (at: Where['at'], kinds: readonly PlaceKind[]): string =>
  at ? placeName(kinds[at.kind], at.number) : 'the floor';

/** When a round is, counted from the start of the hour. */
export const minutesIn = (s: Span): string =>
  `minute ${Math.round(s.fromS / 60)} to ${Math.round((s.fromS + s.lengthS) / 60)}`;

/** What somebody does at this moment: "works 0:40, set 1 of 3". */
export function turnWords(t: Turn): string {
  switch (t.state) {
    case 'works':
      return `works ${minutes(t.leftS)}, set ${t.set} of ${t.stint.sets.length}`;
    case 'rests':
      return `rests ${minutes(t.leftS)}`;
    case 'waits':
      return `begins in ${minutes(t.leftS)}`;
    case 'done':
      return 'done';
  }
}

/** Why something cannot be there, as a sentence. */
export function refusedWords(r: Refused, { kinds, piece, work, unit }: Naming): string {
  const kind = (id: string) => kinds.find((k) => k.id === id);
  const at = (id: string, number: number) => placeName(kind(id), number);
  switch (r.why) {
    case 'not here yet':
      return 'They are not here yet.';
    case 'too long':
      return `It needs ${minutesOf(r.needS)} by itself; a round has ${minutesOf(r.roundS)} for it.`;
    case 'elsewhere':
      return `They are at another place in this round: ${work(r.with)}.`;
    case 'person full':
      return `They have ${minutesOf(r.leftS)} left in this round; it needs ${minutesOf(r.needS)}.`;
    case 'full':
      return `${at(r.at, r.number)} has ${r.with.length} people: ${r.with.map(piece).join('; ')}.`;
    case 'time':
      return `At ${at(r.at, r.number)} ${minutesOf(Math.max(0, r.leftS))} are left for turns; it needs ${minutesOf(r.needS)}.`;
    case 'load':
      return `${mass(r.kg, unit)} with ${mass(r.otherKg, unit)} at ${at(r.at, r.number)}: too far apart to share.`;
    case 'notch':
      return `${at(r.at, r.number)} has its hooks ${Math.abs(r.notch - r.otherNotch) * 5} cm too ${r.otherNotch > r.notch ? 'high' : 'low'}.`;
    case 'height':
      return `No ${kind(r.at)?.name.toLowerCase() ?? 'place'} of the right height is free.`;
    case 'taken':
      return `${r.count === 1 ? 'The only' : `All ${r.count}`} ${kind(r.at)?.name.toLowerCase() ?? 'places'} ${r.count === 1 ? 'is' : 'are'} in use.`;
    case 'no such place':
      return 'The place for it is not free today.';
    case 'floor full':
      return 'The floor is full.';
    case 'pool':
      return `There are only ${r.count} of ${r.pool.replaceAll('-', ' ')}, and they are in use.`;
    case 'hands':
      return 'No coach has the hands, or the eyes, free for it.';
  }
}

/** What could be done otherwise: "5 minutes more". */
export function changeWords(c: Change, { kinds, piece }: Pick<Naming, 'kinds' | 'piece'>): string {
  switch (c.change) {
    case 'instead':
      return `${piece(c.piece)}: the easier movement instead (it trains, and earns nothing)`;
    case 'minutes':
      return `${c.minutes} minutes more`;
    case 'shorter warm-up':
      return `A warm-up shorter by ${c.minutes} minutes`;
    case 'groups of three':
      return 'Three people at a place that is for two';
    case 'eyes':
      return 'A coach who watches one place more';
    case 'one more':
      return `One more: ${kinds.find((k) => k.id === c.of)?.name ?? c.of}`;
  }
}
