import { screen } from '@testing-library/react';
import { describe, expect, it, vi } from 'vitest';
import type { Person, PersonRequest } from '../../contract/people.ts';
import { Refused } from '../shell/index.ts';
import { inHall } from '../testing/in-hall.tsx';
import { PersonForm } from './person-form.tsx';

const ida: Person = {
  id: 'ida',
  name: 'Ida Farrow',
  squadId: 'b',
  statureM: 1.7,
  massKg: 61.25,
  note: 'Rows bow.',
  emergency: '',
  firstAid: '',
  coachIds: [],
};
const squads = {
  'GET /api/staff': [],
  'GET /api/squads': [
    { id: 'a', name: 'Juniors' },
    { id: 'b', name: 'Masters' },
  ],
};

async function form(person: Person | null, { error = null as Error | null, hall = {}, busy = false } = {}) {
  const onSave = vi.fn<(request: PersonRequest) => void>();
  const shown = inHall(<PersonForm person={person} error={error} busy={busy} onSave={onSave} />, {
    answers: squads,
    hall,
  });
  await screen.findByLabelText('Name');
  return { ...shown, onSave };
}

describe('the form of a person', () => {
  it('sends metres and kilograms, whatever mark parts the decimals', async () => {
    const { user, onSave } = await form(null);
    await user.type(screen.getByLabelText('Name'), '  Wim Sallow ');
    await screen.findByRole('option', { name: 'Juniors' });
    await user.selectOptions(screen.getByLabelText('Squad'), 'Juniors');
    await user.type(screen.getByLabelText(/^Stature, cm/), '178,5');
    await user.type(screen.getByLabelText(/^Mass, kg/), '72.5');
    await user.type(screen.getByLabelText('Note'), 'Shift work.');
    await user.click(screen.getByRole('button', { name: 'Add the person' }));
    expect(onSave).toHaveBeenCalledExactlyOnceWith({
      name: 'Wim Sallow',
      squadId: 'a',
      statureM: 1.785,
      massKg: 72.5,
      note: 'Shift work.',
      emergency: '',
      firstAid: '',
      coachIds: [],
    });
  });

  it('leaves out what the person would not tell', async () => {
    const { user, onSave } = await form(null);
    await user.type(screen.getByLabelText('Name'), 'Wim');
    await user.click(screen.getByRole('button', { name: 'Add the person' }));
    expect(onSave.mock.calls[0]![0]).toMatchObject({ squadId: null, statureM: null, massKg: null });
  });

  it('shows a person in the units of the hall and takes them back from there', async () => {
    const { user, onSave } = await form(ida, { hall: { massUnit: 'lb', lengthUnit: 'in' } });
    // 170 cm / 2.54 = 66.9 in; 61.25 kg / 0.45359237 = 135.0 lb.
    expect(screen.getByLabelText(/^Stature, in/)).toHaveProperty('value', '66.9');
    const mass = screen.getByLabelText(/^Mass, lb/);
    expect(mass).toHaveProperty('value', '135');
    await user.clear(mass);
    await user.type(mass, '100');
    await user.click(screen.getByRole('button', { name: 'Save' }));
    // What was not touched stays, the squad among it.
    expect(onSave.mock.calls[0]![0]).toMatchObject({ name: 'Ida Farrow', squadId: 'b', note: 'Rows bow.' });
    expect(onSave.mock.calls[0]![0].massKg).toBeCloseTo(45.359237, 6);
  });

  it('says what was wrong at its field, and keeps what was typed', async () => {
    const error = new Refused({
      type: 'about:blank',
      title: 'Wrong',
      status: 422,
      detail: 'statureM: Must be at most 2.5. Nothing was changed.',
      errors: [{ field: 'statureM', detail: 'Must be at most 2.5.' }],
    });
    await form(ida, { error });
    const stature = screen.getByLabelText(/^Stature/);
    expect(stature.getAttribute('aria-invalid')).toBe('true');
    expect(document.getElementById(stature.getAttribute('aria-describedby')!)!.textContent).toBe(
      'Must be at most 2.5.',
    );
    expect(screen.getByRole('alert').textContent).toContain('Nothing was changed');
    expect(stature).toHaveProperty('value', '170');
  });

  it('cannot be sent twice', async () => {
    await form(ida, { busy: true });
    expect(screen.getByRole('button', { name: 'Save' })).toHaveProperty('disabled', true);
  });
});
