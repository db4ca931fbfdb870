import type { EntryInForce } from '../../../contract/library.ts';
import { useGet } from '../../shell/index.ts';

/** The answers of a house question, to choose among. */
export function useAnswers(question: string): { id: string; name: string }[] {
  const { data } = useGet<EntryInForce>(question ? `/api/library/houseQuestion/${question}` : null);
  return data?.body.kind === 'houseQuestion' ? data.body.answers : [];
}
