/** Median time of some runs, ms. */
export async function median(times: number, work: () => unknown): Promise<number> {
  const taken: number[] = [];
  for (let i = 0; i < times; i++) {
    const start = performance.now();
    await work();
    taken.push(performance.now() - start);
  }
  return middle(taken);
}

const at = (list: readonly number[], share: number) =>
  [...list].sort((a, b) => a - b)[Math.min(list.length - 1, Math.floor(list.length * share))]!;
export const middle = (list: readonly number[]) => at(list, 0.5);
export const high = (list: readonly number[]) => at(list, 0.95);

/** One line: what, how long, and how many times a plain alternative of the same run. */
export const show = (name: string, ms: number, ratio?: [string, number]) =>
  console.log(
    `${name.padEnd(58)} ${ms.toFixed(2).padStart(9)} ms${ratio ? `   ${(ms / ratio[1]).toPrecision(2)} × ${ratio[0]}` : ''}`,
  );
