import type { Side } from '../terms/index.ts';
import type { Judgement } from './three-valued.ts';

/** What an atom found in its window. */
export interface Finding {
  judgement: Judgement;
  needed: number | null;
  seen: number | null;
  margin: number | null;
  account: string;
  setIds: string[];
  /** What to ask, watch or measure where it is not known, as an instruction. */
  ask: string | null;
  /** The sides that fall short, in one-sided work. */
  sides: Side[];
  /** Whether it rests on pain; absent: as its kind of atom always does. */
  health?: boolean;
  /** Whether pain was felt, where what was felt is asked for. */
  painful?: boolean;
}
