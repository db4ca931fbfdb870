import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import type { PieceInHall } from '../../contract/kit.ts';
import { PIECE_FORM_NAMES, blankPiece } from '../../core/terms/index.ts';
import type { EntrySummary } from '../../contract/library.ts';
import { useAddress, useAsk, useLibrary, useSigned, useUnits } from '../shell/index.ts';
import { Button, Empty, Loaded, Parts } from '../ui/index.ts';
import { Inventory } from './inventory.tsx';
import { Buy } from './buy.tsx';
import { KitFile } from './kit-file.tsx';
import { Marks } from './marks.tsx';
import { NotThere } from './not-there.tsx';
import { Runs } from './runs.tsx';
import { PieceDialog } from './piece-dialog.tsx';
import { absenceWords, countWords, formsOf, sizeWords } from './words.ts';

const PARTS = [
  ['here', 'What is there'],
  ['marks', 'Tape marks'],
  ['runs', 'What can be run'],
  ['buy', 'What to buy'],
  ['inventory', 'Take stock'],
  ['file', 'As a file'],
] as const;

/** What the hall has, piece by piece: the only place that says it. */
export function KitRoom() {
  const { me } = useSigned();
  const { params, set } = useAddress();
  const { entries } = useLibrary();
  const kit = useAsk('kit');
  const head = me.role === 'head coach';
  const parts = PARTS.filter(
    ([part]) => part === 'here' || head || ((part === 'runs' || part === 'marks') && me.role === 'coach'),
  );
  const part = parts.find(([value]) => value === params.get('part'))?.[0] ?? 'here';
  const things = useMemo(() => entries.filter((e) => e.kind === 'equipment' && !e.retired), [entries]);
  if (entries.length > 0 && things.length === 0)
    return (
      <Empty next={{ to: '/overview', what: 'To the first steps' }}>The library has no equipment yet.</Empty>
    );
  return (
    <div className="mx-auto max-w-6xl">
      <h1 className="no-print">Kit</h1>
      <Parts label="Parts of the kit room" parts={parts} value={part} onPick={(to) => set({ part: to })}>
        <Loaded query={kit} what="what the hall has">
          {(pieces) =>
            part === 'marks' ? (
              <Marks />
            ) : part === 'runs' ? (
              <Runs />
            ) : part === 'buy' ? (
              <Buy things={things} />
            ) : part === 'inventory' ? (
              <Inventory things={things} pieces={pieces} />
            ) : part === 'file' ? (
              <KitFile things={things} pieces={pieces} />
            ) : (
              <Here things={things} pieces={pieces} />
            )
          }
        </Loaded>
      </Parts>
    </div>
  );
}

interface OfRoom {
  things: readonly EntrySummary[];
  pieces: readonly PieceInHall[];
}

function Here({ things, pieces }: OfRoom) {
  const { me, hall } = useSigned();
  const head = me.role === 'head coach';
  const [open, setOpen] = useState<PieceInHall | null>(null);
  const [find, setFind] = useState('');
  const thing = open && things.find((t) => t.slug === open.equipment);
  const wanted = find.trim().toLowerCase();
  const shown = things.filter(
    (t) =>
      t.title.toLowerCase().includes(wanted) || t.alsoCalled.some((n) => n.toLowerCase().includes(wanted)),
  );
  const add = (e: EntrySummary) => {
    const form = formsOf(e)[0]!;
    setOpen({ ...blankPiece(crypto.randomUUID(), e.slug, { form, unit: hall.massUnit }), edit: 0 });
  };
  return (
    <>
      <NotThere pieces={pieces} things={things} onOpen={setOpen} />
      <div className="mb-2 flex flex-wrap items-center gap-3">
        <input
          type="search"
          aria-label="Find a kind of kit"
          placeholder="Find: box, band, barbell …"
          className="field max-w-64"
          value={find}
          onChange={(e) => setFind(e.target.value)}
        />
        <span className="text-soft">
          {head
            ? 'Press a piece to change it, or to say that it was inspected.'
            : 'Press a piece that is broken to take it out of use.'}
        </span>
      </div>
      <ul>
        {shown.map((e) => (
          <li key={e.slug} className="grid gap-x-4 border-b border-rule py-1.5 md:grid-cols-[13rem_1fr_auto]">
            <Link to={`/library/equipment/${e.slug}`} className="font-read">
              {e.title}
            </Link>
            <Pieces pieces={pieces.filter((p) => p.equipment === e.slug)} onOpen={setOpen} />
            {head && (
              <Button tone="quiet" aria-label={`Add: ${e.title}`} onClick={() => add(e)}>
                Add
              </Button>
            )}
          </li>
        ))}
      </ul>
      {shown.length === 0 && <Empty>Nothing is called that.</Empty>}
      {open && thing && (
        <PieceDialog
          piece={open}
          equipmentName={thing.title}
          forms={formsOf(thing)}
          inspectMonths={thing.inspectMonths}
          onClose={() => setOpen(null)}
        />
      )}
    </>
  );
}

function Pieces({ pieces, onOpen }: { pieces: readonly PieceInHall[]; onOpen: (p: PieceInHall) => void }) {
  const { hall } = useSigned();
  const units = useUnits();
  if (pieces.length === 0) return <span className="text-soft">Nobody has said yet.</span>;
  const places = [...new Set(pieces.map((p) => p.place).filter(Boolean))];
  return (
    <div>
      <div className="flex flex-wrap gap-1">
        {[...pieces]
          .sort((a, b) => PIECE_FORM_NAMES.indexOf(a.form) - PIECE_FORM_NAMES.indexOf(b.form))
          .map((p) => {
            const absent = absenceWords(p, hall.today);
            const size = sizeWords(p, units);
            return (
              <button
                key={p.id}
                type="button"
                onClick={() => onOpen(p)}
                className={`inline-flex min-h-9 items-center gap-1.5 rounded-[2px] border px-2 text-left text-[0.95rem] ${absent ? 'border-warn text-warn' : p.condition === 'watch' ? 'border-soft border-dashed' : 'border-rule'} hover:border-ink`}
              >
                {p.colour && <Swatch colour={p.colour} />}
                <span>
                  {size}
                  {size && (p.count !== 1 || p.form === 'plates') ? ' × ' : ''}
                  {p.count === 0 ? 'none' : (p.count !== 1 || p.form === 'plates' || !size) && countWords(p)}
                </span>
                {absent && <span className="text-sm">{absent}</span>}
                {!absent && p.condition === 'watch' && <span className="text-sm">watched: {p.why}</span>}
              </button>
            );
          })}
      </div>
      {places.length > 0 && <p className="text-sm text-soft">{places.join('; ')}</p>}
    </div>
  );
}

/** A colour of the hall’s own, always beside a word. */
export const Swatch = ({ colour }: { colour: string }) => (
  <span
    aria-hidden="true"
    className="inline-block size-3.5 shrink-0 border border-soft"
    style={{ background: `var(--kit-${colour})` }}
  />
);
