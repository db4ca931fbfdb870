import type { StaffRole } from '../../contract/access.ts';

export type Who = StaffRole | 'anyone';

const ANYONE: readonly Who[] = ['anyone'];
const STAFF: readonly Who[] = ['head coach', 'coach', 'viewer'];
const COACHES: readonly Who[] = ['head coach', 'coach'];
const HEAD: readonly Who[] = ['head coach'];

/**
 * Who may do what: the one table. A route that is not in it answers nobody.
 * Finer rules (a coach's save becomes a proposal, pain is for the squad's staff) stand in the rooms.
 */
export const PERMISSIONS: Readonly<Record<string, readonly Who[]>> = {
  'GET /api/start': ANYONE,
  'POST /api/first-account': ANYONE,
  'POST /api/sign-in': ANYONE,
  'POST /api/sign-out': ANYONE,
  'GET /api/heartbeat': STAFF,

  'PUT /api/hall': HEAD,
  'GET /api/staff': HEAD,
  'POST /api/staff': HEAD,
  'PUT /api/staff/:id': HEAD,
  'GET /api/squads': COACHES,
  'POST /api/squads': HEAD,
  'PUT /api/squads/:id': HEAD,
  'GET /api/backup': HEAD,

  'GET /api/library': STAFF,
  'GET /api/library/health': COACHES,
  'POST /api/library/check': COACHES,
  'GET /api/library/cue/:slug/merge/:keep': COACHES,
  'POST /api/library/cue/:slug/merge/:keep': COACHES,
  'GET /api/instead/:slug': STAFF,
  'GET /api/library/houseQuestion/:slug/people': COACHES,
  'GET /api/library/export': STAFF,
  'GET /api/library/schema': ANYONE,
  'POST /api/library/import': HEAD,
  'GET /api/library/:kind/:slug': STAFF,
  'PUT /api/library/:kind/:slug': COACHES,
  'GET /api/library/:kind/:slug/revisions': STAFF,
  'GET /api/library/:kind/:slug/revisions/:number': STAFF,
  'GET /api/sheets/:slug': STAFF,
  'GET /api/prints': STAFF,
  'GET /api/prints/state': STAFF,
  'GET /api/shares': COACHES,
  'POST /api/shares': COACHES,
  'POST /api/shares/:id/revoke': COACHES,
  'GET /api/shared/:token': ANYONE,
  'GET /api/shared/:token/state': ANYONE,
  'GET /api/changes': COACHES,
  'GET /api/changes/:id': COACHES,
  'GET /api/changes/:id/check': COACHES,
  'POST /api/changes/:id/decision': HEAD,
  'GET /api/drafts/:kind/:slug': COACHES,
  'PUT /api/drafts/:kind/:slug': COACHES,
  'DELETE /api/drafts/:kind/:slug': COACHES,
  'GET /api/editions': STAFF,
  'POST /api/editions': HEAD,

  'GET /api/people': COACHES,
  'POST /api/people': HEAD,
  'PUT /api/people/:id': HEAD,
  'DELETE /api/people/:id': HEAD,
  'GET /api/people/:id/export': HEAD,
  'GET /api/people/:id/answers': COACHES,
  'PUT /api/people/:id/answers/:question': HEAD,
  'DELETE /api/people/:id/answers/:question': HEAD,
  'GET /api/builds': COACHES,
  'GET /api/people/:id/build': COACHES,
  'PUT /api/people/:id/build': COACHES,
  'POST /api/people/:id/range-tests': COACHES,
  'DELETE /api/range-tests/:id': COACHES,
  'GET /api/people/:id/restrictions': COACHES,
  'POST /api/people/:id/restrictions': HEAD,
  'POST /api/restrictions/:id/lift': HEAD,

  'GET /api/overview': COACHES,
  'GET /api/people/:id/ladders': COACHES,
  'POST /api/people/:id/place': COACHES,
  'POST /api/people/:id/moves': COACHES,
  'PUT /api/sets/:id': COACHES,
  'DELETE /api/sets/:id': COACHES,
  'GET /api/today': COACHES,
  'PUT /api/people/:id/check-in/:date': COACHES,
  'PUT /api/cues-tried/:id': COACHES,
  'GET /api/faults/desk': COACHES,
  'PUT /api/fault-cases/:id': COACHES,
  'PUT /api/chain-tries/:id': COACHES,
  'GET /api/ratings': COACHES,
  'PUT /api/ratings/:id': COACHES,
  'GET /api/faults/report': HEAD,
  'GET /api/people/:id/sets': COACHES,
  'GET /api/people/:id/measures': COACHES,
  'GET /api/people/:id/placements': COACHES,
  'POST /api/people/:id/placements/next': COACHES,
  'POST /api/people/:id/placements': COACHES,
  'POST /api/people/:id/sign-offs': COACHES,
  'POST /api/ladders/try': COACHES,
  'GET /api/sets.csv': COACHES,
  'POST /api/sets/csv/preview': COACHES,
  'POST /api/sets/csv': COACHES,
  'GET /api/people/:id/own-links': COACHES,
  'POST /api/people/:id/own-links': COACHES,
  'POST /api/own-links/:id/revoke': COACHES,
  // Whoever holds the link: what it opens is decided by its token.
  'GET /api/own/:token': ANYONE,
  'PUT /api/own/:token/sets/:id': ANYONE,
  'DELETE /api/own/:token/sets/:id': ANYONE,
};

export function permitted(route: string, role: StaffRole | null): boolean {
  const who = PERMISSIONS[route] ?? [];
  return who.includes('anyone') || (role !== null && who.includes(role));
}
