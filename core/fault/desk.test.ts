import { describe, expect, it } from 'vitest';
import { answer, deskCheck, deskFault } from '../testing/faults.ts';
import { advise } from './desk.ts';
import { easierChoices } from './easier.ts';
import { NO_EXPERIENCE } from './experience.ts';
import type { DeskInput } from './desk.ts';
import type { Tried } from './case.ts';

const box = { slug: 'box', name: 'Box', inHall: 1 };
const knee = deskFault('knee', ['weak', 'unaware', 'foot'], {
  checks: [
    deskCheck('Count.', { early: ['weak', 'unaware'], late: ['foot'] }),
    deskCheck('Band.', { mends: ['unaware'], burns: ['weak'], sinks: ['foot'] }),
  ],
  answers: [
    answer('Open.', { causes: ['unaware'] }),
    answer('Three points.', { causes: ['foot'] }),
    answer('Box.', { answerKind: 'set-up change', causes: ['weak'], equipment: [box] }),
    answer('Sit to stand.', {
      answerKind: 'easier variation',
      variation: { slug: 'sit-to-stand', name: 'Sit to stand' },
    }),
  ],
});
const input = (change: Partial<DeskInput> = {}): DeskInput => ({
  faults: [knee],
  experience: NO_EXPERIENCE,
  now: { checks: [], tried: [], felt: [] },
  earlier: [],
  ...change,
});
const tried = (text: string, outcome: Tried['outcome']): Tried => ({
  fault: 'knee',
  answer: text,
  causes: null,
  outcome,
});
const asked = (check: string, result: string | null) => ({ fault: 'knee', check, result });

describe('the next step', () => {
  it('asks what saves most, with its reason and the others beside it', () => {
    const a = advise(input());
    expect(a.next).toBe('ask');
    expect(a.check!.check).toBe('Band.');
    expect(a.otherChecks.map((c) => c.check)).toEqual(['Count.']);
    expect(a.why).toMatch(/saves most: of 3\.0 causes in play it is expected to leave 1\.\d/);
    expect(a.expectedSetsAfterCheck!).toBeLessThan(a.expectedSets);
  });

  it('stops asking when one cause is likely enough, and gives its answer first', () => {
    const a = advise(input({ now: { checks: [asked('Band.', 'burns')], tried: [], felt: [] } }));
    expect(a.causes[0]).toMatchObject({ key: 'knee/weak' });
    expect(a.causes[0]!.probability).toBeGreaterThan(0.75);
    expect(a.next).toBe('try');
    expect(a.answers[0]!.text).toBe('Box.');
  });

  it('stops asking when one cheapest answer serves all that remain', () => {
    const all = deskFault('knee', ['a', 'b'], {
      checks: [deskCheck('C.', { x: ['a'], y: ['b'] })],
      answers: [answer('Cue.', { causes: ['a', 'b'] }), answer('Other.', { causes: ['b'] })],
    });
    const a = advise(input({ faults: [all] }));
    expect(a.next).toBe('try');
    expect(a.why).toContain('Whatever the cause');
  });

  it('stops asking when it costs more than it saves', () => {
    const cheap = deskFault('knee', ['a*7.4', 'b*2.6'], {
      checks: [deskCheck('C.', { x: ['a'], y: ['b'] })],
      answers: [answer('One.', { causes: ['a'] }), answer('Two.', { causes: ['b'] })],
    });
    // By hand: 1 + .26 = 1.26 as things stand; the check costs .25 and can save .26 at the very most.
    const a = advise(input({ faults: [cheap] }));
    expect(a.expectedSets).toBeCloseTo(1.26, 12);
    expect(a.next).toBe('try');
    expect(a.why).toContain('fewer sets than asking');
  });

  it('asks what saves more sets rather than what tells more', () => {
    // Three of four causes have one cheap answer: only the fourth is worth telling apart.
    const f = deskFault('knee', ['a', 'b', 'c', 'd'], {
      checks: [
        deskCheck('Tells more.', { a: ['a'], b: ['b'], rest: ['c', 'd'] }),
        deskCheck('Saves more.', { d: ['d'], rest: ['a', 'b', 'c'] }),
      ],
      answers: [
        answer('Cue.', { causes: ['a', 'b', 'c'] }),
        answer('Range.', { answerKind: 'less range or more aid', causes: ['d'] }),
      ],
    });
    const a = advise(input({ faults: [f] }));
    expect(a.check!.check).toBe('Saves more.');
    expect(a.otherChecks[0]!.gainBits).toBeGreaterThan(a.check!.gainBits);
    expect(a.otherChecks[0]!.setsAfter).toBeGreaterThan(a.check!.setsAfter);
  });

  it('goes on to the answers when two checks could not be told', () => {
    const now = { checks: [asked('Band.', null), asked('Count.', null)], tried: [], felt: [] };
    const three = deskFault('knee', ['weak', 'unaware', 'foot'], {
      ...knee,
      checks: [...knee.checks, deskCheck('Foot.', { flat: ['foot'], high: ['weak', 'unaware'] })],
    });
    expect(advise(input({ faults: [three], now })).next).toBe('try');
    expect(advise(input({ faults: [three], now })).why).toContain('could not be told');
    const one = { ...now, checks: now.checks.slice(0, 1) };
    expect(advise(input({ faults: [three], now: one })).next).toBe('ask');
  });

  it('does not offer a check, nor an easier variation, whose kit is taken or not in the hall', () => {
    const band = { slug: 'band', name: 'Band', inHall: 2 };
    const checked = {
      ...knee,
      checks: knee.checks.map((c) => (c.text === 'Band.' ? { ...c, kit: [[band]] } : c)),
      answers: knee.answers.map((a) => (a.text === 'Sit to stand.' ? { ...a, kit: [[box, band]] } : a)),
    };
    const checks = (without: string[]) => {
      const a = advise(input({ faults: [checked], without }));
      return [a.check, ...a.otherChecks].map((c) => c?.check);
    };
    expect(checks([])).toContain('Band.');
    expect(checks(['band'])).toEqual(['Count.']);
    const easier = (without: string[]) =>
      advise(input({ faults: [checked], without })).answers.find((a) => a.text === 'Sit to stand.')!.missing;
    // Either piece will do.
    expect(easier(['box'])).toBeNull();
    expect(easier(['box', 'band'])).toBe('Box is taken');
    const none = { ...knee, answers: [answer('Box.', { kit: [[{ ...box, inHall: 0 }]] })] };
    expect(advise(input({ faults: [none] })).answers[0]!.missing).toBe('the hall has no box');
  });

  it('keeps a cause in play that is exactly a third as likely', () => {
    const f = deskFault('knee', ['a*6', 'b*2'], {
      answers: [
        answer('For b.', { causes: ['b'] }),
        answer('For a.', { answerKind: 'set-up change', causes: ['a'] }),
      ],
    });
    expect(advise(input({ faults: [f] })).answers.map((a) => a.text)).toEqual(['For b.', 'For a.']);
  });

  it('ends with “better” only the sign that it was for', () => {
    const back = deskFault('back', ['x', 'y'], { answers: [answer('Brace.', { causes: ['x', 'y'] })] });
    const two = (...t: Tried[]) =>
      advise(input({ faults: [knee, back], now: { checks: [], tried: t, felt: [] } }));
    const half = two(tried('Open.', 'better'));
    expect(half.next).toBe('try');
    expect(half.better).toEqual(['Fault knee']);
    expect(half.answers.map((a) => a.text)).toEqual(['Brace.']);
    const both = two(tried('Open.', 'better'), { ...tried('Brace.', 'better'), fault: 'back' });
    expect(both.next).toBe('solved');
    expect(both.why).toBe('It helped: Brace.');
  });

  it('goes on when nobody can tell, with the next best check', () => {
    const a = advise(input({ now: { checks: [asked('Band.', null)], tried: [], felt: [] } }));
    expect(a.check!.check).toBe('Count.');
    expect(a.causes.map((c) => c.probability)).toEqual(advise(input()).causes.map((c) => c.probability));
  });

  it('is solved by better, steered by same and worse', () => {
    const now = (...t: Tried[]) =>
      advise(input({ now: { checks: [asked('Band.', 'mends')], tried: t, felt: [] } }));
    expect(now(tried('Open.', 'better')).next).toBe('solved');
    const after = now(tried('Open.', 'same'));
    expect(after.answers.map((a) => a.text)).not.toContain('Open.');
    expect(after.causes.find((c) => c.key === 'knee/unaware')!.probability).toBeLessThan(
      now().causes.find((c) => c.key === 'knee/unaware')!.probability,
    );
  });

  it('goes easier when the answers run out', () => {
    const done = knee.answers.map((a) => tried(a.text, 'same'));
    expect(advise(input({ now: { checks: [], tried: done, felt: [] } })).next).toBe('easier');
  });

  it('stops for pain and for a stop fault, whatever else is known', () => {
    const pain = { region: 'front of knee', kind: 'pain', side: 'left' } as const;
    expect(
      advise(input({ now: { checks: [], tried: [tried('Open.', 'better')], felt: [pain] } })),
    ).toMatchObject({
      next: 'stop',
      why: 'Pain, front of knee: the set ends.',
    });
    expect(advise(input({ faults: [knee, deskFault('sharp', ['x'], { severity: 3 })] })).next).toBe('stop');
  });

  it('marks what cannot be had now and passes it over', () => {
    const now = { checks: [asked('Band.', 'burns')], tried: [], felt: [] };
    const taken = advise(input({ now, without: ['box'] }));
    expect(taken.answers.find((a) => a.text === 'Box.')!.missing).toBe('Box is taken');
    expect(taken.answers.findIndex((a) => a.text === 'Box.')).toBeGreaterThan(0);
    const barred = advise(input({ now, barred: { 'sit-to-stand': 'deep positions' } }));
    expect(barred.answers.find((a) => a.text === 'Sit to stand.')!.missing).toBe(
      'barred for them: deep positions',
    );
    const helped = deskFault('knee', ['weak'], { answers: [answer('Hands.', { needsSecondPerson: true })] });
    expect(advise(input({ faults: [helped], secondPerson: false })).next).toBe('easier');
  });

  it('remembers what helped this person and what did not', () => {
    const earlier = (outcome: Tried['outcome']) => [
      { date: '2026-11-01', tried: [tried('Three points.', outcome)] },
    ];
    expect(advise(input({ earlier: earlier('better') })).answers[0]!.text).toBe('Three points.');
    const failed = advise(input({ earlier: earlier('worse') })).answers;
    expect(failed.at(-1)!.text).toBe('Three points.');
    expect(failed.at(-1)!.before).toEqual({ date: '2026-11-01', outcome: 'worse' });
  });
});

describe('what is easier', () => {
  const below = { variation: 'box-squat', name: 'Box squat', levelName: 'Seated' };
  it('is what the library names, then one level down, without what was tried or is barred', () => {
    const names = (...args: Parameters<typeof easierChoices>) =>
      easierChoices(...args).map((c) => c.variation);
    expect(names([knee], [], below, {})).toEqual(['sit-to-stand', 'box-squat']);
    expect(names([knee], [tried('Sit to stand.', 'same')], below, {})).toEqual(['box-squat']);
    expect(names([knee], [], below, { 'sit-to-stand': 'all training' })).toEqual(['box-squat']);
    expect(names([knee], [], null, { 'sit-to-stand': 'all training' })).toEqual([]);
    expect(easierChoices([knee], [], below, {})[1]!.why).toBe('One level down on the ladder: Seated.');
  });
});
