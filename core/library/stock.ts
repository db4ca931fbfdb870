import { notThere } from '../terms/index.ts';
import type { IsoDate, MassUnit, Piece, PieceForm } from '../terms/index.ts';

/** What the hall has, as its kit room says it, on a day. */
export interface HallKit {
  pieces: readonly Piece[];
  /** Decides what is overdue; '': no day, so that nothing is. */
  today: IsoDate;
  /** In what the hall weighs: what it usually has where nothing is noted. */
  unit: MassUnit;
}
export const NOTHING_SAID: HallKit = { pieces: [], today: '', unit: 'kg' };

/** What the hall has of a piece of equipment that may be used. */
export interface Stock {
  /** 0: the hall has none, or none that may be used. */
  count: number;
  /** Where it stands. */
  place: string;
  /** So many people use one at a time, in turns; null: as many as like. */
  most: number | null;
}
/** Whether a piece is what its kind is counted by: of the first form that is noted of it, or only counted. */
export const isCounted = (p: Pick<Piece, 'form'>, forms: readonly PieceForm[] | undefined): boolean =>
  forms?.[0] === undefined || p.form === forms[0] || p.form === 'thing';

/** Of what nobody has said anything the hall is taken to have one. */
const NOT_SAID: Stock = { count: 1, place: '', most: null };

/**
 * Stock by equipment. Of an equipment of several forms the first one is counted, and what is only counted: a bar and rack is
 * there as often as its racks, plates alone are none. What is out of use or overdue is not there.
 * @param formsOf forms that its document notes; none: whatever there is of it counts
 */
export function stocksOf(
  { pieces, today }: HallKit,
  formsOf: (equipment: string) => readonly PieceForm[] | undefined,
): ReadonlyMap<string, Stock> {
  const byEquipment = new Map<string, Piece[]>();
  for (const p of pieces) {
    const list = byEquipment.get(p.equipment);
    if (list) list.push(p);
    else byEquipment.set(p.equipment, [p]);
  }
  const stocks = new Map<string, Stock>();
  for (const [equipment, own] of byEquipment) {
    const forms = formsOf(equipment);
    const here = own.filter((p) => isCounted(p, forms) && notThere(p, today) === null);
    const most = here.map((p) => p.most);
    stocks.set(equipment, {
      count: here.reduce((n, p) => n + p.count, 0),
      place: [...new Set(here.map((p) => p.place).filter(Boolean))].join('; '),
      most: most.includes(null) || most.length === 0 ? null : Math.max(...most.map((m) => m!)),
    });
  }
  return stocks;
}

export const stockIn = (stocks: ReadonlyMap<string, Stock>, equipment: string): Stock =>
  stocks.get(equipment) ?? NOT_SAID;
