import type { FeltKind, IsoDate, LoadKind, Region, Role, Side } from '../terms/index.ts';

/** One logged set. Null means not known: not asked, not measured or not watched. */
export interface LoggedSet {
  id: string;
  sessionId: string;
  date: IsoDate;
  /** Place within the session; the order of entry is not used. */
  ordinal: number;
  variation: string;
  variationRevision: number;
  role: Role;
  warmUp: boolean;
  watched: boolean;
  sideTest: boolean;
  side: Side | null;
  plannedReps: number | null;
  doneReps: number | null;
  holdS: number | null;
  rounds: number | null;
  loadKg: number | null;
  loadKind: LoadKind;
  effort: number | null;
  tempoKept: boolean | null;
  rangeReached: boolean | null;
  rangeDeg: number | null;
  faults: { fault: string; side: Side | null; reps: number }[];
  sensations: { region: Region; kind: FeltKind; side: Side | null }[] | null;
  pain: number | null;
  atEase: number | null;
  aids: { name: string; setting: string }[] | null;
}
