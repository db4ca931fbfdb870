import type { FeltKind, Region } from './lists.ts';

export interface Felt {
  region: Region;
  kind: FeltKind;
}
