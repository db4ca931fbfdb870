import type { PersonLine } from '../../core/floor/index.ts';
import { screen, waitFor, within } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import type { Person } from '../../contract/people.ts';
import { inHall } from '../testing/in-hall.tsx';
import { OverviewPage } from './overview-page.tsx';
import { People } from './people-page.tsx';

const person = (id: string, name: string, squadId: string | null): Person => ({
  id,
  name,
  squadId,
  statureM: null,
  massKg: null,
  note: '',
  emergency: '',
  firstAid: '',
  coachIds: [],
});
const line = (personId: string, change: Partial<PersonLine> = {}): PersonLine => ({
  personId,
  ladder: 'squat',
  ladderName: 'Squat',
  levelName: 'Box',
  levelNumber: 2,
  levels: 9,
  since: '2026-11-10',
  outcome: 'hold',
  reason: 'Needs 1 more clean set by 2026-11-30.',
  lastSession: '2026-11-23',
  unseenDays: null,
  stuckWeeks: null,
  usualWeeks: 3,
  overridden: null,
  sides: null,
  faults: [],
  ...change,
});
const answers = {
  'GET /api/people': [person('a', 'Ada', 'j'), person('b', 'Ben', 'm'), person('c', 'Cy', null)],
  'GET /api/staff': [],
  'GET /api/squads': [
    { id: 'j', name: 'Juniors', trainingDays: [] },
    { id: 'm', name: 'Masters', trainingDays: [] },
  ],
  'GET /api/overview': [
    line('a', { outcome: 'move up', reason: 'All that Box asks has been met.' }),
    line('b', { stuckWeeks: 8, unseenDays: 20, lastSession: '2026-11-04' }),
    line('c', {
      levelName: null,
      levelNumber: null,
      since: null,
      outcome: null,
      reason: null,
      lastSession: null,
    }),
  ],
};
const names = () =>
  screen
    .getAllByRole('row')
    .slice(1)
    .map((r) => within(r).getAllByRole('cell')[0]!.textContent);

describe('the people', () => {
  it('stand with level, outcome and why, those who are not placed too', async () => {
    inHall(<People />, { answers });
    const ada = await screen.findByRole('row', { name: /Ada/ });
    await within(ada).findByText('Squat 2: Box');
    const cells = within(ada).getAllByRole('cell');
    expect(cells.map((c) => c.textContent)).toEqual([
      'Ada',
      'Juniors',
      expect.stringMatching(/^Move upSquat 2: BoxAll that Box asks has been met. Here for 14 days.$/),
      'Last session Mon 23 Nov',
    ]);
    const cy = screen.getByRole('row', { name: /Cy/ });
    expect(cy.textContent).toContain('Not placed');
    expect(cy.textContent).toContain('never');
  });

  it('stand in one row each, on however many ladders, and are counted as people', async () => {
    const two = [
      line('a', { outcome: 'hold' }),
      line('a', { ladder: 'hinge', ladderName: 'Hinge', outcome: 'step back' }),
    ];
    const { user } = inHall(<People />, { answers: { ...answers, 'GET /api/overview': two } });
    const ada = await screen.findByRole('row', { name: /Ada/ });
    await within(ada).findByText('Hinge 2: Box');
    expect(screen.getAllByRole('row')).toHaveLength(4);
    // The gravest first.
    expect(
      within(ada)
        .getAllByRole('listitem')
        .map((l) => l.textContent?.slice(0, 9)),
    ).toEqual(['Step back', 'HoldSquat']);
    expect(screen.getByRole('button', { name: 'Hold 1 person' })).toBeTruthy();
    await user.click(screen.getByRole('button', { name: 'Not placed 2 people' }));
    await waitFor(() => expect(names()).toEqual(['Ben', 'Cy']));
  });

  it('say days as people do inside a reason', async () => {
    inHall(<People />, { answers });
    expect(await screen.findByText(/^Needs 1 more clean set by Mon 30 Nov\./)).toBeTruthy();
  });

  it('are found by a part of the name, sorted either way', async () => {
    const { user } = inHall(<People />, { answers });
    await screen.findByRole('row', { name: /Ada/ });
    await user.click(screen.getByRole('button', { name: /^Name/ }));
    await waitFor(() => expect(names()).toEqual(['Cy', 'Ben', 'Ada']));
    await user.type(screen.getByLabelText(/Find|Search/i), 'ben');
    await waitFor(() => expect(names()).toEqual(['Ben']));
  });

  it('are added by the head coach, who is led to the new person', async () => {
    const { user, sent } = inHall(<People />, {
      answers: { ...answers, 'POST /api/people': { id: 'new' } },
      at: '/people',
    });
    await user.click(await screen.findByRole('button', { name: 'Add a person' }));
    const dialog = within(screen.getByRole('dialog'));
    await user.type(await dialog.findByLabelText('Name'), 'Wim');
    await user.click(dialog.getByRole('button', { name: 'Add the person' }));
    await waitFor(() => expect(screen.getByLabelText('Address').textContent).toBe('/people/new'));
    expect(sent[0]!.body).toMatchObject({ name: 'Wim', squadId: null, statureM: null });
  });

  it('are not added by a coach', async () => {
    inHall(<People />, { answers, as: 'coach' });
    await screen.findByRole('row', { name: /Ada/ });
    expect(screen.queryByRole('button', { name: 'Add a person' })).toBeNull();
  });
});

describe('the overview', () => {
  const section = (name: string) => within(screen.getByRole('region', { name }));

  it('puts everybody where a head coach would look for them, and says so where there is nobody', async () => {
    inHall(<OverviewPage />, { answers });
    await screen.findByRole('region', { name: 'Ready to move up' });
    expect(section('Ready to move up').getByRole('link').textContent).toBe('Ada');
    expect(section('Stuck beyond the usual stay').getByRole('link').textContent).toBe('Ben');
    expect(section('Stuck beyond the usual stay').getByText(/8 weeks/)).toBeTruthy();
    expect(section('Stop or step back').getByText('Nobody.')).toBeTruthy();
    expect(screen.queryByRole('link', { name: 'Cy' })).toBeNull();
  });

  it('is of one squad by the address', async () => {
    const { user } = inHall(<OverviewPage />, { answers, at: '/overview' });
    await user.click(await screen.findByRole('button', { name: 'Masters' }));
    expect(screen.getByLabelText('Address').textContent).toBe('/overview?squad=m');
    expect(screen.queryByRole('link', { name: 'Ada' })).toBeNull();
    expect(screen.getAllByRole('link', { name: 'Ben' }).length).toBeGreaterThan(0);
  });

  it('leads to the first step where nobody stands on a ladder', async () => {
    inHall(<OverviewPage />, { answers: { ...answers, 'GET /api/overview': [] } });
    const link = await screen.findByRole('link', { name: 'Place Ada by trials' });
    expect(link.getAttribute('href')).toBe('/people/a/trials');
  });
});
