import type { HouseQuestion } from '../../../core/library/index.ts';
import { useAsk } from '../../shell/index.ts';

/** A house question with its answers to choose among; null while it is read. */
export function useQuestion(slug: string): HouseQuestion | null {
  const { data } = useAsk('document', slug ? { kind: 'houseQuestion', slug } : null);
  return data?.body.kind === 'houseQuestion' ? data.body : null;
}
