import { screen, waitFor, within } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import type { StaffMember } from '../../contract/hall.ts';
import { inHall, No } from '../testing/in-hall.tsx';
import { Hall } from './hall-page.tsx';

const squads = [
  { id: 'a', name: 'Juniors', trainingDays: [1, 3] },
  { id: 'b', name: 'Masters', trainingDays: [] },
];
const jonas: StaffMember = {
  id: 'jonas',
  login: 'jonas',
  name: 'Jonas Brightwater',
  role: 'coach',
  active: true,
  squadIds: ['a'],
};
const show = (answers = {}) =>
  inHall(<Hall />, { answers: { 'GET /api/staff': [jonas], 'GET /api/squads': squads, ...answers } });

describe('staff', () => {
  it('are listed with their role and squads', async () => {
    show();
    const row = await screen.findByRole('row', { name: /Jonas Brightwater/ });
    await waitFor(() => expect(row.textContent).toContain('Juniors'));
    expect(row.textContent).toContain('coach');
  });

  it('are added with squads and a password', async () => {
    const { user, sent } = show({ 'POST /api/staff': { id: 'new' } });
    await screen.findByRole('row', { name: /Jonas/ });
    await user.click(screen.getByRole('button', { name: 'Add staff' }));
    const dialog = within(screen.getByRole('dialog'));
    await user.type(dialog.getByLabelText('Name'), 'Piet');
    await user.type(dialog.getByLabelText('Sign-in name'), 'piet');
    await user.click(await dialog.findByLabelText('Masters'));
    await user.type(dialog.getByLabelText('Password'), 'another long one');
    await user.click(dialog.getByRole('button', { name: 'Add' }));
    await waitFor(() => expect(screen.queryByRole('dialog')).toBeNull());
    expect(sent.map((s) => s.body)).toEqual([
      { name: 'Piet', login: 'piet', role: 'coach', squadIds: ['b'], password: 'another long one' },
    ]);
  });

  it('keep their password where none is typed, and what the server refuses stays open', async () => {
    const { user, sent } = show({
      'PUT /api/staff/jonas': new No(409, 'The hall needs a head coach. Nothing was changed.'),
    });
    await user.click(await screen.findByRole('button', { name: 'Change' }));
    const dialog = within(screen.getByRole('dialog'));
    await user.click(dialog.getByLabelText('May sign in'));
    await user.click(dialog.getByRole('button', { name: 'Save' }));
    expect((await dialog.findByRole('alert')).textContent).toContain('Nothing was changed');
    expect(sent[0]!.body).not.toHaveProperty('password');
    expect(sent[0]!.body).toMatchObject({ login: 'jonas', active: false, squadIds: ['a'] });
  });
});

describe('squads', () => {
  const open = async (answers = {}) => {
    const shown = show(answers);
    await shown.user.click(screen.getByRole('tab', { name: 'Squads' }));
    await screen.findByLabelText('Name of Juniors');
    return shown;
  };

  it('take a training day more or fewer', async () => {
    const { user, sent } = await open({ 'PUT /api/squads/a': {} });
    const days = within(screen.getByRole('group', { name: 'Training days of Juniors' }));
    expect(days.getByRole('button', { name: 'Mon' }).getAttribute('aria-pressed')).toBe('true');
    await user.click(days.getByRole('button', { name: 'Mon' }));
    await user.click(days.getByRole('button', { name: 'Sat' }));
    expect(sent.map((s) => s.body)).toEqual([
      { name: 'Juniors', trainingDays: [3] },
      { name: 'Juniors', trainingDays: [1, 3, 6] },
    ]);
    expect(screen.getByText('none marked: any day')).toBeTruthy();
  });

  it('are renamed only to something else', async () => {
    const { user, sent } = await open({ 'PUT /api/squads/a': {} });
    const row = screen.getByLabelText('Name of Juniors').closest('li')!;
    const rename = within(row).getByRole('button', { name: 'Rename' });
    expect(rename).toHaveProperty('disabled', true);
    await user.type(screen.getByLabelText('Name of Juniors'), ' A ');
    await user.click(rename);
    expect(sent.map((s) => s.body)).toEqual([{ name: 'Juniors A' }]);
  });

  it('are added by name, and the field is free again', async () => {
    const { user, sent } = await open({ 'POST /api/squads': { id: 'c' } });
    await user.type(screen.getByLabelText('New squad'), ' Novices ');
    await user.click(screen.getByRole('button', { name: 'Add' }));
    await waitFor(() => expect(screen.getByLabelText('New squad')).toHaveProperty('value', ''));
    expect(sent.map((s) => s.body)).toEqual([{ name: 'Novices' }]);
  });
});

describe('settings', () => {
  it('are kept whole', async () => {
    const { user, sent } = show({ 'PUT /api/hall': {} });
    await user.click(screen.getByRole('tab', { name: 'Settings' }));
    await user.selectOptions(screen.getByLabelText('Mass in'), 'lb');
    await user.selectOptions(screen.getByLabelText('Paper'), 'Letter');
    await user.click(screen.getByRole('checkbox', { name: /^Ways on without a heavier weight/ }));
    await user.click(screen.getByRole('button', { name: 'Keep the settings' }));
    expect(await screen.findByText('Kept.')).toBeTruthy();
    expect(sent.map((s) => s.body)).toEqual([
      {
        name: 'Test hall',
        timeZone: 'UTC',
        paper: 'Letter',
        massUnit: 'lb',
        lengthUnit: 'cm',
        dates: 'en-GB',
        growsByItself: true,
        placementWay: 'information',
        soleM: 0.025,
      },
    ]);
  });
});
