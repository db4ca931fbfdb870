import type { IsoDate } from '../terms/index.ts';
import type { SetValues } from './fields.ts';

/** One logged set: what was written down of it (see fields.ts), and whose, when and of what it is. */
export interface LoggedSet extends SetValues {
  id: string;
  sessionId: string;
  date: IsoDate;
  variation: string;
  variationRevision: number;
  /** Logged by the person alone. */
  own?: boolean;
}
