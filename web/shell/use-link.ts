import { useQuery } from '@tanstack/react-query';
import type { UseQueryResult } from '@tanstack/react-query';
import { send } from './api.ts';

const OPEN = { own: 'openOwn', shared: 'openShared' } as const;
const ID = /^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/;

/**
 * The id of the link that led to this page. What stands behind its # is shown to the server once and taken out of the
 * address; from then on the device is known. A link of the version before carried it in its path.
 * @throws Refused in the query when it leads nowhere, has ended, or is another device's
 */
export function useLink(kind: keyof typeof OPEN): UseQueryResult<string> {
  return useQuery({
    queryKey: ['link', kind],
    staleTime: Infinity,
    retry: false,
    queryFn: async () => {
      const part = location.pathname.split('/')[2] ?? '';
      const token = location.hash.slice(1) || (ID.test(part) ? '' : part);
      if (!token) return part;
      const { id } = await send(OPEN[kind], {}, { token });
      history.replaceState(null, '', `/${kind}/${id}${location.search}`);
      return id;
    },
  });
}
