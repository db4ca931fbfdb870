import { ensureBuilt } from '../scripts/prepare.mjs';
import { ensureDemoTemplate } from '../scripts/demo-template.ts';

/** What every hall of the tests is copied from is made once, before any test needs it. */
export default async function setup(): Promise<void> {
  ensureBuilt();
  await ensureDemoTemplate();
}
