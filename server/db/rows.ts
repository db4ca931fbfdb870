/** The rows of a raw query, from either driver. */
export const rowsOf = <T>(result: unknown): T[] => (result as { rows: T[] }).rows;
