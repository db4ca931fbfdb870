import type { OnLadder } from '../../core/floor/index.ts';
import { screen, within } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import type { PlacementAnswer, PlacementRequest, PlacementRow } from '../../contract/session.ts';
import { ladder, level } from '../../core/testing/samples.ts';
import { inHall } from '../testing/in-hall.tsx';
import { Placements, Trials } from './trials.tsx';

const asks = { kind: 'cleanReps', reps: 10, sets: 1 } as const;
const steps = { ...ladder(['one', 'two', 'three'].map((id) => level(id, asks))), name: 'Squat' };
const on: OnLadder = {
  ladder: steps,
  ladderRevision: 1,
  standing: null,
  branch: null,
  stay: null,
  target: null,
  decision: null,
  failure: null,
  names: {},
  facts: {},
};
const trial = (id: string) =>
  ({
    step: 'try',
    level: id,
    variation: `${id}-main`,
    passes: 0.5,
    heldBack: null,
    shares: ['one', 'two', 'three'].map((level, i) => ({ level, share: [0.2, 0.5, 0.3][i]! })),
    why: ['It lies in the middle.'],
    levelName: id,
    variationName: `Main of ${id}`,
  }) as PlacementAnswer;
const ended = (step: 'place' | 'stop', id: string | null) =>
  ({
    step,
    level: id,
    why: ['Two results agree.'],
    shares: [],
    levelName: id,
    variationName: null,
  }) as unknown as PlacementAnswer;

/** The server's stand-in: the second level first, then where the results lead. */
const next = (asked: PlacementRequest): PlacementAnswer => {
  const results = asked.trials.map((t) => t.result);
  if (results.includes('pain')) return ended('stop', null);
  if (results.length === 0) return trial('two');
  if (results.length === 1) return trial(results[0] === 'passed' ? 'three' : 'one');
  return ended('place', 'two');
};
const show = (ladders: OnLadder[] = [on], more = {}) =>
  inHall(<Trials personId="p" ladders={ladders} />, {
    answers: {
      'POST /api/people/p/placements/next': next,
      'POST /api/people/p/placements': { outcome: 'placed' },
      ...more,
    },
  });
const begin = async (user: ReturnType<typeof show>['user']) =>
  user.click(screen.getByRole('button', { name: 'What to try first' }));

describe('placing by trials', () => {
  it('asks what was told of the person, then each trial with all before it', async () => {
    const { user, sent } = show();
    await user.selectOptions(screen.getByLabelText('Experience'), 'trains it already');
    await user.selectOptions(screen.getByLabelText(/^At ease/), '4');
    await user.click(screen.getByLabelText(/^With care/));
    await begin(user);
    expect(await screen.findByText('Trial 1 of 4 at most')).toBeTruthy();
    // What is believed so far stands on the stairs.
    const stairs = screen.getByRole('list', { name: /^How likely/ });
    expect(
      within(stairs)
        .getAllByRole('listitem')
        .map((l) => l.textContent),
    ).toEqual(['201 one', '502 two', '303 three']);
    await user.type(screen.getByLabelText('A word on it, if any'), ' heels up ');
    await user.click(screen.getByRole('button', { name: 'A fault to fix' }));
    expect(await screen.findByText('Trial 2 of 4 at most')).toBeTruthy();
    expect(screen.getByText('a fault to fix')).toBeTruthy();
    expect(screen.getByLabelText('A word on it, if any')).toHaveProperty('value', '');
    const about = { ladder: 'steps', experience: 'trained', atEase: 4, careful: true };
    expect(sent.map((s) => s.body)).toEqual([
      { ...about, trials: [] },
      { ...about, trials: [{ level: 'two', variation: 'two-main', result: 'fault', note: 'heels up' }] },
    ]);
  });

  it('takes the last result back', async () => {
    const { user, sent } = show();
    await begin(user);
    await user.click(await screen.findByRole('button', { name: 'Passed' }));
    await screen.findByText('Trial 2 of 4 at most');
    await user.click(screen.getByRole('button', { name: 'Take back the last result' }));
    expect(await screen.findByText('Trial 1 of 4 at most')).toBeTruthy();
    expect(sent.at(-1)!.body).toMatchObject({ trials: [], atEase: null, careful: false });
  });

  it('places where the trials lead, with all of them', async () => {
    const { user, sent } = show();
    await begin(user);
    await user.click(await screen.findByRole('button', { name: 'Passed' }));
    await screen.findByText('Trial 2 of 4 at most');
    await user.click(screen.getByRole('button', { name: 'Not at ease' }));
    expect(await screen.findByText('Begin at two')).toBeTruthy();
    await user.click(screen.getByRole('button', { name: 'Place here' }));
    expect(await screen.findByText(/Kept with its trials/)).toBeTruthy();
    expect(sent.at(-1)).toMatchObject({ path: '/api/people/p/placements' });
    expect((sent.at(-1)!.body as PlacementRequest).trials.map((t) => t.result)).toEqual([
      'passed',
      'not at ease',
    ]);
    await user.click(screen.getByRole('button', { name: 'Another pattern' }));
    expect(screen.getByRole('button', { name: 'What to try first' })).toBeTruthy();
  });

  it('stops at pain, keeps what was seen, and places nobody', async () => {
    const { user } = show();
    await begin(user);
    await user.click(await screen.findByRole('button', { name: 'Pain' }));
    expect(await screen.findByText('Stop here')).toBeTruthy();
    expect(screen.getByRole('button', { name: 'Keep what was seen' })).toBeTruthy();
    expect(screen.queryByRole('button', { name: 'Place here' })).toBeNull();
  });

  it('is not offered where somebody stands on every ladder', () => {
    show([{ ...on, standing: { level: 'one', since: '2026-11-01', taken: [] } }]);
    expect(screen.queryByRole('region', { name: 'Place by trials' })).toBeNull();
  });
});

it('trials kept say where they led, by whom, and what came of each', async () => {
  const row: PlacementRow = {
    id: 'a',
    date: '2026-11-20',
    by: 'Jo',
    ladder: 'steps',
    experience: 'some',
    atEase: null,
    careful: true,
    trials: [{ level: 'two', variation: 'two-main', result: 'passed', note: 'steady' }],
    outcome: 'placed',
    level: 'three',
  };
  inHall(<Placements personId="p" ladders={[on]} />, {
    answers: { 'GET /api/people/p/placements': [row, { ...row, id: 'b', outcome: 'stopped', level: null }] },
  });
  const items = (await screen.findAllByRole('listitem')).filter(
    (li) => within(li).queryAllByRole('list').length,
  );
  expect(items[0]!.textContent).toContain(
    'Fri 20 Nov, Squat: placed on three by Jo; has done some of it, with care.',
  );
  expect(items[0]!.textContent).toContain('two: passed, steady');
  expect(items[1]!.textContent).toContain('Squat: stopped');
});
