import { screen, waitFor, within } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import type { PiecesRequest } from '../../contract/kit.ts';
import { blankPiece } from '../../core/terms/index.ts';
import type { Piece } from '../../core/terms/index.ts';
import type { StaffRole } from '../../contract/access.ts';
import { inHall } from '../testing/in-hall.tsx';
import { KitRoom } from './room.tsx';

const thing = (slug: string, title: string, forms?: string[]) => ({
  kind: 'equipment',
  slug,
  title,
  retired: false,
  uses: [],
  alsoCalled: [],
  ...(forms ? { forms } : {}),
});
const ID = '11111111-1111-4111-8111-111111111111';
const piece = (equipment: string, of: Partial<Piece>, edit = 1) => ({
  ...blankPiece(ID, equipment, of),
  edit,
});
const show = (pieces: unknown[], as: StaffRole = 'head coach', at = '/kit') =>
  inHall(<KitRoom />, {
    as,
    at,
    answers: {
      'GET /api/library': {
        edition: {},
        entries: [
          thing('mat', 'Mat'),
          thing('plyo-box', 'Box, solid', ['height']),
          thing('dumbbells', 'Dumbbells', ['weight']),
        ],
      },
      'GET /api/kit': pieces,
      'PUT /api/kit': { ok: true },
      [`GET /api/kit/${ID}/history`]: [],
      [`PUT /api/kit/${ID}/condition`]: { ok: true },
    },
  });
const told = (sent: { method: string; body: unknown }[]) =>
  sent.filter((s) => s.method === 'PUT').map((s) => (s.body as PiecesRequest).pieces);

describe('taking stock', () => {
  const line = (name: string) => screen.findByLabelText(`How many or sizes: ${name}`);

  it('keeps a line when it is left: sizes as they are typed, each as a piece', async () => {
    const { user, sent } = show([], undefined, '/kit?part=inventory');
    await user.type(await line('Box, solid'), '30 x2; 45');
    await user.tab();
    await waitFor(() => expect(told(sent)).toHaveLength(1));
    expect(told(sent)[0]).toMatchObject([
      { equipment: 'plyo-box', form: 'height', count: 2, sizes: { heightM: 0.3 }, edit: 0 },
      { equipment: 'plyo-box', form: 'height', count: 1, sizes: { heightM: 0.45 }, edit: 0 },
    ]);
  });

  it('keeps the piece of a size, and says none of one that is no longer named', async () => {
    const { user, sent } = show(
      [piece('plyo-box', { form: 'height', sizes: { heightM: 0.3 }, count: 2 }, 4)],
      undefined,
      '/kit?part=inventory',
    );
    const field = await line('Box, solid');
    await user.clear(field);
    await user.type(field, '60');
    await user.tab();
    await waitFor(() => expect(told(sent)).toHaveLength(1));
    expect(told(sent)[0]).toMatchObject([
      { count: 1, sizes: { heightM: 0.6 }, edit: 0 },
      { id: ID, count: 0, sizes: { heightM: 0.3 }, edit: 4 },
    ]);
  });

  it('ticks what is there without a size, and keeps nothing of what cannot be read', async () => {
    const { user, sent } = show([], undefined, '/kit?part=inventory');
    await user.click(await screen.findByLabelText('Here: Dumbbells'));
    await waitFor(() => expect(told(sent)).toHaveLength(1));
    expect(told(sent)[0]).toMatchObject([{ equipment: 'dumbbells', form: 'thing', count: 1, sizes: {} }]);
    await user.type(await line('Box, solid'), 'thirty');
    await user.tab();
    expect(screen.getByText(/“thirty” cannot be read/)).toBeTruthy();
    expect(told(sent)).toHaveLength(1);
  });
});

describe('what is there', () => {
  it('lists first what counts as not there, with why', async () => {
    show([
      piece('mat', { condition: 'out', why: 'torn', outSince: '2026-11-20' }),
      {
        ...piece('plyo-box', { form: 'height', sizes: { heightM: 0.3 }, nextInspection: '2026-11-01' }),
        id: 'b',
      },
    ]);
    const gone = await screen.findByRole('region', { name: 'Not there' });
    expect(within(gone).getByText(/out of use: torn, since/)).toBeTruthy();
    expect(within(gone).getByText(/inspection overdue/)).toBeTruthy();
  });

  it('lets a coach take a broken piece out of use, and nothing more', async () => {
    const { user, sent } = show([piece('mat', { count: 4 })], 'coach');
    await user.click(await screen.findByRole('button', { name: '4' }));
    expect(screen.queryByRole('button', { name: 'Keep it' })).toBeNull();
    await user.type(screen.getByLabelText('What is wrong with it'), 'a tear');
    await user.click(screen.getByRole('button', { name: 'Out of use at once' }));
    await waitFor(() =>
      expect(sent.at(-1)).toMatchObject({
        path: `/api/kit/${ID}/condition`,
        body: { condition: 'out', why: 'a tear' },
      }),
    );
  });

  it('refuses a size that cannot be before it is sent', async () => {
    const { user, sent } = show([piece('plyo-box', { form: 'height', sizes: { heightM: 0.3 } })]);
    await user.click(await screen.findByRole('button', { name: /30/ }));
    const height = screen.getByLabelText('Height, cm');
    await user.clear(height);
    await user.type(height, '900');
    expect(screen.getByText(/does not lie between 0.01 and 2.5 m/)).toBeTruthy();
    expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Keep it' }).disabled).toBe(true);
    await user.clear(height);
    await user.type(height, '45');
    await user.click(screen.getByRole('button', { name: 'Keep it' }));
    await waitFor(() => expect(told(sent)[0]).toMatchObject([{ sizes: { heightM: 0.45 }, edit: 1 }]));
  });
});
