import { allOrNothing, handlers } from '../endpoint.ts';
import type { Context } from '../endpoint.ts';
import { Refusal } from '../refusal.ts';
import { flagPiece, pieceHistory, piecesOfHall, putPieces, removePiece } from './store.ts';

const OK = { ok: true } as const;
const byOf = ({ me, at }: Context) => ({ by: me.name, byId: me.id, at });

export const kitRoutes = handlers({
  kit: ({ db }) => piecesOfHall(db),

  savePieces: async (c) => {
    const { pieces } = c.body;
    const unknown = pieces.find((p) => !c.inForce.shelf.get('equipment', p.equipment));
    if (unknown) {
      throw new Refusal(
        422,
        `pieces: there is no equipment “${unknown.equipment}” in the library. Nothing was kept.`,
      );
    }
    await allOrNothing(c, (tx) => putPieces(tx.db, pieces, byOf(c)));
    return OK;
  },

  removePiece: async (c) => {
    await allOrNothing(c, (tx) => removePiece(tx.db, c.params.id, byOf(c)));
    return OK;
  },

  flagPiece: async (c) => {
    await allOrNothing(c, (tx) => flagPiece(tx.db, c.params.id, c.body, c.today, byOf(c)));
    return OK;
  },

  pieceHistory: ({ db, params }) => pieceHistory(db, params.id),
});
