import type { HourNeeds } from '../../contract/plan.ts';
import { moreOptions } from '../../core/floor/index.ts';
import type { NeededPiece } from '../../core/floor/index.ts';
import { USUAL } from '../../core/plan/index.ts';
import type { Hour, Watcher, WorkPiece } from '../../core/plan/index.ts';

/** An hour whose pieces carry what is shown of them. */
export type NeededHour = Omit<Hour, 'pieces'> & { pieces: readonly NeededPiece[] };

/** What a coach says of a piece of work. */
export interface Said {
  priority?: WorkPiece['priority'];
  watched?: number;
  mustWatch?: boolean;
  wish?: WorkPiece['wish'] | undefined;
  /** Not today. */
  out?: boolean;
  /** The easier movement may be done instead. */
  insteadToo?: boolean;
}

/** What the coach says of the hour before it is planned. */
export interface HourSaid {
  totalMin: number;
  warmUpMin: number;
  changeMin: number;
  watchers: Watcher[];
  /** Free today, by kind. */
  free: Record<string, number>;
  /** First round, by person. */
  from: Record<string, number>;
  pieces: Record<string, Said>;
}

export const saidFirst = (needs: HourNeeds, coach: string): HourSaid => ({
  totalMin: USUAL.totalS / 60,
  warmUpMin: Math.ceil(needs.warmUpS / 60),
  changeMin: USUAL.changeS / 60,
  watchers: [{ name: coach, atOnce: USUAL.atOnce }],
  free: Object.fromEntries(needs.places.map((p) => [p.id, p.count])),
  from: {},
  pieces: {},
});

/** The hour as it is planned, from what is needed and what was said. */
export function hourFrom(needs: HourNeeds, people: readonly string[], said: HourSaid): NeededHour {
  return {
    people: people.map((id) => ({ id, from: said.from[id] ?? 0 })),
    pieces: needs.pieces.flatMap((p): NeededPiece[] => {
      const { out, insteadToo, ...of } = said.pieces[p.id] ?? {};
      if (out) return [];
      const more = insteadToo ? moreOptions(p) : [];
      return [{ ...p, ...of, options: [...p.options, ...more] }];
    }),
    places: needs.places
      .map((p) => {
        const count = Math.min(p.count, said.free[p.id] ?? p.count);
        return { ...p, count, heightsM: p.heightsM.slice(0, count) };
      })
      .filter((p) => p.count > 0),
    floorPlaces: USUAL.floorPlaces,
    pools: needs.pools,
    totalS: 60 * said.totalMin,
    warmUpS: 60 * said.warmUpMin,
    changeS: 60 * said.changeMin,
    coach: { atOnce: said.watchers.reduce((n, w) => n + w.atOnce, 0), share: USUAL.share },
  };
}
