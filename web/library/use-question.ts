import type { EntryInForce } from '../../contract/library.ts';
import type { HouseQuestion } from '../../core/library/index.ts';
import { useGet } from '../shell/index.ts';

/** A house question with its answers to choose among; null while it is read. */
export function useQuestion(slug: string): HouseQuestion | null {
  const { data } = useGet<EntryInForce>(slug ? `/api/library/houseQuestion/${slug}` : null);
  return data?.body.kind === 'houseQuestion' ? data.body : null;
}
