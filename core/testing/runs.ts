export const LONG = globalThis.process?.env.TEST_LONG === '1';

/** How many made-up cases a property is tried on: twenty times as many in `npm run test:long`. */
export const runs = (usual: number): number => (LONG ? 20 * usual : usual);
