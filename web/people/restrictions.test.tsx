import { screen, waitFor, within } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import type { RestrictionRow } from '../../contract/people.ts';
import { inHall, No } from '../testing/in-hall.tsx';
import { Restrictions } from './restrictions.tsx';

const row = (change: Partial<RestrictionRow> = {}): RestrictionRow => ({
  id: 'r',
  bars: [{ bars: 'pattern', pattern: 'squat' }],
  from: '2026-11-01',
  until: '2026-12-01',
  saidBy: 'the club doctor',
  recordedBy: 'Mirela',
  liftedOn: null,
  liftedBy: null,
  liftedSource: null,
  ...change,
});
const show = (rows: RestrictionRow[], as: 'head coach' | 'coach' = 'head coach', more = {}) =>
  inHall(<Restrictions personId="p" />, { as, answers: { 'GET /api/people/p/restrictions': rows, ...more } });

describe('restrictions', () => {
  it('say what is barred, how long, and on whose word', async () => {
    show([row(), row({ id: 's', bars: [{ bars: 'all' }], until: null })]);
    const items = await screen.findAllByRole('listitem');
    expect(items[0]!.textContent).toContain(
      'every squat, from Sun 1 Nov to Tue 1 Dec. Said by the club doctor; recorded by Mirela.',
    );
    expect(items[1]!.textContent).toContain('until lifted');
  });

  it('that are over or lifted stay readable and cannot be lifted again', async () => {
    show([
      row({ until: '2026-11-23' }),
      row({ id: 's', liftedOn: '2026-11-20', liftedBy: 'Mirela', liftedSource: 'letter' }),
    ]);
    const items = await screen.findAllByRole('listitem');
    expect(items[1]!.textContent).toContain('Lifted on Fri 20 Nov by Mirela: letter.');
    expect(screen.queryByRole('button', { name: 'Lift it' })).toBeNull();
  });

  it('hold through their last day', async () => {
    show([row({ until: '2026-11-24' })]);
    expect(await screen.findByRole('button', { name: 'Lift it' })).toBeTruthy();
  });

  it('are only read by a coach', async () => {
    show([row()], 'coach');
    await screen.findByRole('listitem');
    expect(screen.queryByRole('button')).toBeNull();
  });

  it('are recorded with all that is barred and who said so, from today until lifted', async () => {
    const { user, sent } = show([], 'head coach', { 'POST /api/people/p/restrictions': { id: 'new' } });
    expect(await screen.findByText('None recorded.')).toBeTruthy();
    await user.click(screen.getByRole('button', { name: 'Record a restriction' }));
    const dialog = within(screen.getByRole('dialog'));
    expect(dialog.getByRole('button', { name: 'Record it' })).toHaveProperty('disabled', true);
    await user.click(dialog.getByLabelText('Every lunge'));
    await user.click(dialog.getByLabelText('Deep positions'));
    await user.click(dialog.getByLabelText('Every lunge'));
    await user.selectOptions(dialog.getByLabelText('Load at a place'), 'across the shoulders, high');
    await user.type(dialog.getByLabelText('Who said so'), 'the physiotherapist');
    await user.click(dialog.getByRole('button', { name: 'Record it' }));
    await waitFor(() => expect(screen.queryByRole('dialog')).toBeNull());
    expect(sent).toEqual([
      {
        method: 'POST',
        path: '/api/people/p/restrictions',
        body: {
          bars: [{ bars: 'depth' }, { bars: 'load place', place: 'across the shoulders, high' }],
          from: '2026-11-24',
          until: null,
          saidBy: 'the physiotherapist',
        },
      },
    ]);
  });

  it('are lifted only on somebody’s word; what the server refuses is told and kept open', async () => {
    const { user, sent } = show([row()], 'head coach', {
      'POST /api/restrictions/r/lift': new No(
        422,
        'source: Is not allowed to be empty. Nothing was changed.',
      ),
    });
    await user.click(await screen.findByRole('button', { name: 'Lift it' }));
    await user.type(screen.getByLabelText('Who said so'), 'by letter');
    await user.click(screen.getByRole('button', { name: 'Lift it from today' }));
    expect((await screen.findByRole('alert')).textContent).toContain('Nothing was changed');
    expect(screen.getByLabelText('Who said so')).toHaveProperty('value', 'by letter');
    expect(sent.map((s) => s.body)).toEqual([{ source: 'by letter' }]);
  });
});
