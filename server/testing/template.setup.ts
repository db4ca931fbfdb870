import { makeDemoTemplate } from './demo.ts';
import { makeHallTemplate } from './hall.ts';

/** Makes, once before any test needs them, the halls that each test file begins from: that of the tests, and the demo. */
export default async function setup(): Promise<void> {
  await makeHallTemplate();
  await makeDemoTemplate();
}
