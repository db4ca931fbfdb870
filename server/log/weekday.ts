/** Monday 1 to Sunday 7. */
export const weekdayOf = (date: string) => new Date(`${date}T00:00:00Z`).getUTCDay() || 7;
