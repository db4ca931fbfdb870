/** Seconds since it began; null: it has not. */
export const secondsInto = (startedAt: string | null, now: number): number | null =>
  startedAt === null ? null : (now - new Date(startedAt).getTime()) / 1000;
