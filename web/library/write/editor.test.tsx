import { fireEvent, screen, waitFor } from '@testing-library/react';
import { Route, Routes } from 'react-router';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { EntryInForce } from '../../../contract/library.ts';
import { cue } from '../../../core/testing/samples.ts';
import { inHall, No } from '../../testing/in-hall.tsx';
import { Editor } from './editor.tsx';

const tray = cue('tray', { line: { text: 'Carry a tray.' } });
const inForce = (revision: number, text = 'Carry a tray.') =>
  ({ body: { ...tray, line: { text } }, revision }) as unknown as EntryInForce;
const PATH = '/library/cue/tray/edit';

beforeEach(() => vi.useFakeTimers({ shouldAdvanceTime: true }));
afterEach(() => vi.useRealTimers());

/** The editor on a cue, with answers that may come late. */
async function open(answers: Record<string, unknown> = {}, as: 'head coach' | 'coach' = 'head coach') {
  const shown = inHall(
    <Routes>
      <Route path="/library/:kind/:slug/edit" element={<Editor />} />
      <Route path="*" element={<p>Somewhere else</p>} />
    </Routes>,
    {
      at: PATH,
      as,
      answers: {
        'GET /api/drafts/cue/tray': null,
        'GET /api/library/cue/tray': inForce(1),
        'GET /api/library': { edition: {}, entries: [] },
        'PUT /api/drafts/cue/tray': () => ({ at: new Date().toISOString() }),
        'DELETE /api/drafts/cue/tray': {},
        ...answers,
      },
    },
  );
  const line = await screen.findByLabelText('The cue: one short line');
  const type = (text: string) => fireEvent.change(line, { target: { value: text } });
  const press = (name: string) => fireEvent.click(screen.getByRole('button', { name }));
  const steps = () =>
    shown.sent.filter((s) => !s.path.endsWith('/check')).map((s) => `${s.method} ${s.path}`);
  return { ...shown, line, type, press, steps };
}
const later =
  <T,>(value: T, ms: number) =>
  () =>
    new Promise<T>((done) => setTimeout(() => done(value), ms));

describe('the editor', () => {
  it('keeps a draft a moment after the last stroke, and one only', async () => {
    const { type, steps, sent } = await open();
    type('Carry');
    await vi.advanceTimersByTimeAsync(500);
    type('Carry it');
    await vi.advanceTimersByTimeAsync(500);
    expect(steps()).toEqual([]);
    await vi.advanceTimersByTimeAsync(400);
    expect(steps()).toEqual(['PUT /api/drafts/cue/tray']);
    expect(sent.find((s) => s.path === '/api/drafts/cue/tray')!.body).toMatchObject({
      base: 1,
      since: null,
      body: { line: { text: 'Carry it' } },
    });
  });

  it('saves after a draft that is still on its way, and sends none afterwards', async () => {
    const { type, press, steps } = await open({
      'PUT /api/drafts/cue/tray': later({ at: '2026-11-24T10:00:00Z' }, 3_000),
      'PUT /api/library/cue/tray': later({ outcome: 'accepted', revision: 2, change: 'c' }, 3_000),
    });
    type('Carry it level.');
    await vi.advanceTimersByTimeAsync(1_000);
    press('Put in force');
    await vi.advanceTimersByTimeAsync(1_000);
    expect(steps()).toEqual(['PUT /api/drafts/cue/tray']);
    // Pressed once is once, however long it takes.
    expect(screen.getByRole('button', { name: 'Put in force' })).toHaveProperty('disabled', true);
    await vi.advanceTimersByTimeAsync(10_000);
    expect(await screen.findByText('Somewhere else')).toBeTruthy();
    expect(steps()).toEqual(['PUT /api/drafts/cue/tray', 'PUT /api/library/cue/tray']);
  });

  it('sends no draft of what was saved before its moment came', async () => {
    const { type, press, steps } = await open({
      'PUT /api/library/cue/tray': later({ outcome: 'accepted', revision: 2, change: 'c' }, 2_000),
    });
    type('Carry it level.');
    press('Put in force');
    await vi.advanceTimersByTimeAsync(5_000);
    expect(steps()).toEqual(['PUT /api/library/cue/tray']);
  });

  it('takes a draft on its way off with the rest when it is discarded', async () => {
    const { type, press, steps } = await open({
      'PUT /api/drafts/cue/tray': later({ at: '2026-11-24T10:00:00Z' }, 3_000),
    });
    type('No.');
    await vi.advanceTimersByTimeAsync(1_000);
    press('Discard the draft');
    await vi.advanceTimersByTimeAsync(5_000);
    expect(steps()).toEqual(['PUT /api/drafts/cue/tray', 'DELETE /api/drafts/cue/tray']);
  });

  it('keeps what was typed as the draft when the save is refused, with the field that was wrong', async () => {
    const { type, press, steps } = await open({
      'PUT /api/library/cue/tray': new No(422, 'body.line.text: Is too long. Nothing was changed.', {
        errors: [{ field: 'body.line.text', detail: 'Is too long.' }],
      }),
    });
    type('x'.repeat(300));
    press('Put in force');
    await waitFor(() => expect(steps()).toEqual(['PUT /api/library/cue/tray', 'PUT /api/drafts/cue/tray']));
    expect(screen.getByText('line.text: Is too long.')).toBeTruthy();
  });

  it('sends no draft after a save whose answer never came', async () => {
    const { type, press, steps } = await open({
      'PUT /api/library/cue/tray': () => Promise.reject(new TypeError('the page was left')),
    });
    type('Carry it level.');
    press('Put in force');
    expect((await screen.findByRole('alert')).textContent).toContain('What you entered is kept here');
    expect(steps()).toEqual(['PUT /api/library/cue/tray']);
    type('Carry it quite level.');
    await vi.advanceTimersByTimeAsync(1_000);
    expect(steps()).toEqual(['PUT /api/library/cue/tray', 'PUT /api/drafts/cue/tray']);
  });

  it('shows both when somebody else was quicker, and goes on from what is in force now', async () => {
    let revision = 1;
    const { type, press, sent } = await open({
      'GET /api/library/cue/tray': () => inForce(revision, revision === 1 ? 'Carry a tray.' : 'Hold a tray.'),
      'PUT /api/library/cue/tray': (body: unknown) => {
        if ((body as { base: number }).base === 2) return { outcome: 'accepted', revision: 3, change: 'c' };
        revision = 2;
        return new No(409, 'Somebody else changed this cue. Yours is kept as your draft.');
      },
    });
    type('Balance a tray.');
    press('Put in force');
    expect(await screen.findByText('Somebody changed this meanwhile')).toBeTruthy();
    fireEvent.click(screen.getByLabelText('Yours'));
    press('Go on with both together');
    await waitFor(() => expect(screen.queryByText('Somebody changed this meanwhile')).toBeNull());
    press('Put in force');
    expect(await screen.findByText('Somewhere else')).toBeTruthy();
    expect(sent.filter((s) => s.path === '/api/library/cue/tray').at(-1)!.body).toMatchObject({
      base: 2,
      body: { line: { text: 'Balance a tray.' } },
    });
  });

  it('proposes where a coach saves', async () => {
    const { type, press, sent } = await open(
      { 'PUT /api/library/cue/tray': { outcome: 'proposed', change: 'c', revision: null } },
      'coach',
    );
    type('Carry it level.');
    press('Propose');
    await waitFor(() => expect(screen.getByLabelText('Address').textContent).toBe('/changes/c'));
    expect(sent.find((s) => s.path === '/api/library/cue/tray')!.body).toMatchObject({ base: 1, reason: '' });
  });
});
