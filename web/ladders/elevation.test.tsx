import { renderToStaticMarkup } from 'react-dom/server';
import { MemoryRouter } from 'react-router';
import { describe, expect, it } from 'vitest';
import type { EntrySummary } from '../../contract/library.ts';
import { buildOf, REFERENCE_BUILD } from '../../core/body/index.ts';
import { blankBody } from '../../core/library/index.ts';
import type { Ladder } from '../../core/library/index.ts';
import type { SettledMechanics } from '../../core/posture/index.ts';
import { bridge, squat } from '../../core/testing/repertoire.ts';
import { level } from '../../core/testing/samples.ts';
import { Elevation } from './elevation.tsx';
import { ladderProfile, orderByDemand } from './profile.tsx';

const entry = (slug: string, mechanics: SettledMechanics, demandAdjustment = 0): EntrySummary => ({
  kind: 'variation',
  slug,
  title: slug,
  revision: 1,
  retired: false,
  pattern: 'bridge',
  branchOf: null,
  roles: ['work'],
  laterality: 'two legs',
  mechanics,
  demandAdjustment,
  facets: null,
  alsoCalled: [],
  words: '',
  uses: [],
});
const ladderOf = (...slugs: string[]): Ladder => ({
  ...(blankBody('ladder', 'stairs', 'Stairs', 'A. Tester') as Ladder),
  levels: slugs.map((s) => level(s, { kind: 'painAtMost', pain: 0 }, { main: s })),
});
const entries = [
  entry('floor', bridge()),
  entry('one', bridge({ legs: 1 })),
  entry('thrust', bridge({ bench: 'fitted' })),
  entry('lifted', bridge({ bench: 'fitted' }), 50),
  entry('squat', squat()),
];
const markup = (ladder: Ladder, build = REFERENCE_BUILD, parts = false) =>
  renderToStaticMarkup(
    <MemoryRouter>
      <Elevation
        ladder={ladder}
        standing={new Map()}
        entries={entries}
        profile={ladderProfile(ladder, entries, build).steps}
        parts={parts}
        build={build}
      />
    </MemoryRouter>,
  );

describe('the profile beneath the stairs', () => {
  it('stands in level order with points and how each compares with the one below, in words', () => {
    const text = markup(ladderOf('floor', 'one', 'thrust'))
      .replace(/<[^>]+>/g, ' ')
      .replace(/\s+/g, ' ');
    expect(text).toMatch(/24 points .*64 points ⇈ a big step .*16 points ↘ asks less/);
  });
  it('hatches what is a question, so that colour is never alone', () => {
    const html = markup(ladderOf('floor', 'one', 'thrust'));
    expect([...html.matchAll(/fig-hatched/g)]).toHaveLength(2);
  });
  it('shows the parts only when asked for', () => {
    const ladder = ladderOf('floor', 'one');
    expect(markup(ladder)).not.toContain('knee share');
    expect(markup(ladder, REFERENCE_BUILD, true)).toContain('knee share');
  });
  it("counts the head coach's correction and says so", () => {
    const html = markup(ladderOf('one', 'lifted'));
    expect(html).toContain('(corrected +50)');
    expect(html).not.toContain('asks less');
  });
  it('follows the body it is drawn for', () => {
    const stiff = buildOf({ statureM: 1.75, massKg: 75, ankleLimitDeg: 15 });
    expect(markup(ladderOf('squat'))).not.toContain('cannot be held');
    expect(markup(ladderOf('squat'), stiff)).toContain('cannot be held');
    expect(ladderProfile(ladderOf('squat'), entries, stiff).questions[0]!.text).toMatch(/short of balance/);
  });
  it('says the order that demand alone would give, only where it is another', () => {
    const steps = (...slugs: string[]) => ladderProfile(ladderOf(...slugs), entries, REFERENCE_BUILD).steps;
    // 16, 37 and 9 points.
    expect(orderByDemand(steps('floor', 'one', 'thrust'))).toEqual([3, 1, 2]);
    expect(orderByDemand(steps('thrust', 'floor', 'one'))).toBeNull();
  });
  it('leaves out levels whose variation is not in the library', () => {
    expect(ladderProfile(ladderOf('floor', 'gone'), entries, REFERENCE_BUILD).steps).toHaveLength(1);
  });
});
