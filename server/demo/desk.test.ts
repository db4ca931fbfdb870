import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { NEVER_HELPED_TRIES } from '../../core/fault/index.ts';
import type { OpenDatabase } from '../db/index.ts';
import { faultReport } from '../fault/index.ts';
import type { FaultReport } from '../../contract/fault.ts';
import { shelfInForce } from '../library/index.ts';
import { demoDatabase } from '../testing/demo.ts';

let database: OpenDatabase;
let report: FaultReport;
beforeAll(async () => {
  database = await demoDatabase();
  report = await faultReport(database.db, await shelfInForce(database.db), '2026-08-25', '2026-11-24');
});
afterAll(() => database.close());

describe('the desk of the demo hall', () => {
  it('has worked on many faults, some answers helping for sure, one never', () => {
    expect(report.cases).toBeGreaterThan(100);
    expect(report.answers.filter((a) => a.helped.low > 0.5).length).toBeGreaterThan(3);
    const never = report.answers.filter((a) => a.rewrite);
    expect(never.map((a) => a.fault)).toContain('knee-falls-in');
    for (const a of never) expect(a.helped.n).toBeGreaterThanOrEqual(NEVER_HELPED_TRIES);
  });

  it('has sets rated by two coaches who mostly, not always, agree', () => {
    expect(report.rated.length).toBeGreaterThan(200);
    const sure = report.agreement.filter((a) => a.agreement.low !== null);
    expect(sure.length).toBeGreaterThan(5);
    const middle = sure.map((a) => a.agreement.kappa!).sort((a, b) => a - b)[Math.floor(sure.length / 2)]!;
    expect(middle).toBeGreaterThan(0.4);
    expect(middle).toBeLessThan(1);
    for (const r of report.rated) expect(r.first.by).not.toBe(r.second.by);
  });

  it('counts no fault in more sets than were watched', () => {
    for (const w of report.where) {
      expect(w.sets.share).toBeLessThanOrEqual(1);
      expect(w.people).toBeGreaterThan(0);
    }
  });
});
