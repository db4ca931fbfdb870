import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { canonicalJson } from '../../../core/library/index.ts';
import type { Body } from '../../../core/library/index.ts';
import { send } from '../../shell/index.ts';
import { useRested } from '../../ui/index.ts';

/** A moment after the last keystroke, so that the server is not asked at each. */
const REST_MS = 500;

/** What the documents would do if they were in force; the last answer stays until the next one is there. */
export function useCheck(items: readonly Body[], ask = true) {
  const text = canonicalJson(items);
  const settled = useRested(text, REST_MS);
  return useQuery({
    queryKey: ['checkDocuments', settled],
    queryFn: () => send('checkDocuments', {}, { items: JSON.parse(settled) as Body[] }),
    enabled: ask,
    placeholderData: keepPreviousData,
    staleTime: 0,
    gcTime: 0,
  });
}
