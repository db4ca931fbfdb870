/**
 * Where an atom looks in the level's evidence; absent: the sets of one session.
 * `set` is the last set of that session, of each side where the sides are logged apart.
 */
export type Window = { over: 'set' } | { over: 'sessions'; last: number } | { over: 'days'; last: number };

export interface Within {
  within?: Window;
}
