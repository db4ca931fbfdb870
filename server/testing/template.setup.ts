import { emptyTemplate } from '../db/template.ts';

/** Makes the empty cluster once, before any test needs it. */
export default async function setup(): Promise<void> {
  await emptyTemplate();
}
