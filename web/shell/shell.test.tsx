import 'fake-indexeddb/auto';
import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import { Route, Routes } from 'react-router';
import { describe, expect, it, vi } from 'vitest';
import { inHall } from '../testing/in-hall.tsx';
import { Shell } from './shell.tsx';

vi.stubGlobal('navigator', { ...navigator, locks: { request: (_: string, work: () => unknown) => work() } });

const show = (as: 'head coach' | 'coach' | 'viewer' = 'head coach') =>
  inHall(
    <Routes>
      <Route element={<Shell />}>
        <Route path="*" element={<input aria-label="a field of the room" />} />
      </Route>
    </Routes>,
    {
      as,
      at: '/people',
      answers: {
        'GET /api/library': { edition: null, entries: [] },
        'GET /api/people': [{ id: 'ida', name: 'Ida Farrow', squadId: null }],
        'GET /api/heartbeat': { boot: 'a', snapshotAt: null, now: '' },
        'POST /api/sign-out': { ok: true },
      },
    },
  );
const press = (key: string, on: Element = document.body) => fireEvent.keyDown(on, { key });
const address = () => screen.getByLabelText('Address').textContent;
const roomsShown = () =>
  within(screen.getByRole('navigation', { name: 'Rooms' }))
    .getAllByRole('link')
    .map((l) => l.textContent);

describe('the band', () => {
  it('shows each role its rooms', () => {
    const { unmount } = show('viewer');
    expect(roomsShown()).toEqual(['Library', 'Ladders', 'Body', 'Kit']);
    unmount();
    const coach = show('coach');
    expect(roomsShown()).not.toContain('Hall');
    expect(roomsShown()).toContain('Floor');
    coach.unmount();
    show();
    expect(roomsShown()).toContain('Hall');
  });

  it('jumps by g and a letter, and only by the letter right after it', () => {
    show();
    press('l');
    expect(address()).toBe('/people');
    press('g');
    press('l');
    expect(address()).toBe('/library');
    press('g');
    press('x');
    press('s');
    expect(address()).toBe('/library');
  });

  it('leaves keys in a field to the field', () => {
    show();
    const field = screen.getByLabelText('a field of the room');
    press('g', field);
    press('l', field);
    press('?', field);
    expect(address()).toBe('/people');
    expect(screen.queryByRole('dialog')).toBeNull();
  });

  it('lists its keys on ?', () => {
    show();
    press('?');
    expect(
      within(screen.getByRole('dialog', { name: 'Help with this screen' })).getByText(/and this list/),
    ).toBeTruthy();
  });
});

describe('going to, and doing', () => {
  const open = async (as?: 'head coach' | 'viewer') => {
    const shown = show(as);
    press('/');
    await screen.findByRole('dialog', { name: 'Go to, or do' });
    const choose = (name: string) => shown.user.click(screen.getByRole('option', { name }));
    return { ...shown, choose };
  };

  it('offers rooms and people to those who may see them', async () => {
    const { unmount } = await open();
    expect(await screen.findByRole('option', { name: 'Ida Farrow' })).toBeTruthy();
    expect(screen.getByRole('option', { name: 'What the fault cases say' })).toBeTruthy();
    unmount();
    await open('viewer');
    expect(screen.queryByRole('option', { name: 'People' })).toBeNull();
    expect(screen.getByRole('option', { name: 'Body room' })).toBeTruthy();
  });

  it('goes there and is shut', async () => {
    const { choose } = await open();
    await choose('Print sheets');
    expect(address()).toBe('/print');
    expect(screen.queryByRole('dialog')).toBeNull();
  });

  it('switches the units of this screen alone, back and forth', async () => {
    const { choose } = await open();
    await choose('Show mass in lb');
    expect(localStorage.getItem('meister.massUnit')).toBe('lb');
    press('/');
    await waitFor(() => expect(screen.getByRole('option', { name: 'Show mass in kg' })).toBeTruthy());
    await choose('Show mass in kg');
    expect(localStorage.getItem('meister.massUnit')).toBe('kg');
  });
});
