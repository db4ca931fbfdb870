import { useState } from 'react';
import type { PieceInHall } from '../../contract/kit.ts';
import {
  COLOURS,
  CONDITIONS,
  PIECE_FORM_NAMES,
  aboutForm,
  aboutSize,
  monthsAfter,
  pieceRefused,
} from '../../core/terms/index.ts';
import type { Colour, Condition, Piece, PieceForm, Size } from '../../core/terms/index.ts';
import { useAsk, useSend, useSigned, useUnits } from '../shell/index.ts';
import {
  Button,
  Dialog,
  Loaded,
  moment,
  Notice,
  SelectField,
  TextField,
  fromLength,
  tidy,
  toLength,
} from '../ui/index.ts';
import { WhatCloses } from './not-there.tsx';
import { Readings } from './readings.tsx';
import { countWords, formChoice, sizeWords } from './words.ts';

/** A number as it is typed; null: nothing, NaN: no number. */
const typed = (text: string): number | null =>
  text.trim() === ''
    ? null
    : /^\d+([.,]\d+)?$/.test(text.trim())
      ? Number(text.trim().replace(',', '.'))
      : NaN;

/** One piece or lot: what it is, where, how sound, and what was said of it before. */
export function PieceDialog({
  piece,
  equipmentName,
  forms,
  inspectMonths,
  onClose,
}: {
  piece: PieceInHall;
  equipmentName: string;
  forms: readonly PieceForm[];
  inspectMonths: number | undefined;
  onClose: () => void;
}) {
  const { me, hall } = useSigned();
  const units = useUnits();
  const save = useSend('savePieces');
  const remove = useSend('removePiece', { id: piece.id });
  const flag = useSend('flagPiece', { id: piece.id });
  const [p, setPiece] = useState(piece);
  // What is being typed, until it is a number.
  const [texts, setTexts] = useState<Partial<Record<Size | 'count' | 'most', string>>>({});
  const change = (of: Partial<Piece>) => setPiece((now) => ({ ...now, ...of }));
  const about = aboutForm(p.form);
  const shownOf = (size: Size): string => {
    const value = p.sizes[size];
    if (typeof value !== 'number') return '';
    return aboutSize(size).is === 'length' ? tidy(toLength(value, units.length), 2) : tidy(value, 3);
  };
  const setSize = (size: Size, text: string) => {
    setTexts((now) => ({ ...now, [size]: text }));
    const value = typed(text);
    const { [size]: _old, ...others } = p.sizes;
    if (value === null) change({ sizes: others });
    else if (!Number.isNaN(value))
      change({
        sizes: {
          ...p.sizes,
          [size]:
            aboutSize(size).is === 'length'
              ? Math.round(fromLength(value, units.length) * 10_000) / 10_000
              : value,
        },
      });
  };
  const unread = Object.entries(texts).find(([, text]) => Number.isNaN(typed(text)));
  const problem = unread ? `“${unread[1]}” is no number.` : pieceRefused(p);
  const out = (condition: Condition) =>
    change({ condition, outSince: condition === 'out' ? (p.outSince ?? hall.today) : null });
  const inspected = () =>
    change({
      inspectedOn: hall.today,
      nextInspection: monthsAfter(hall.today, inspectMonths ?? about.inspectMonths),
    });
  if (me.role !== 'head coach')
    return (
      <Dialog
        title={`${equipmentName}: ${sizeWords(piece, units) || countWords(piece)}`}
        open
        onClose={onClose}
      >
        <Flag piece={piece} send={flag} onDone={onClose} />
        <History id={piece.id} />
      </Dialog>
    );
  return (
    <Dialog
      title={
        piece.edit === 0
          ? `New: ${equipmentName}`
          : `${equipmentName}: ${sizeWords(piece, units) || countWords(piece)}`
      }
      open
      wide
      onClose={onClose}
    >
      <form
        className="grid gap-3"
        onSubmit={(e) => {
          e.preventDefault();
          if (problem === null) save.mutate({ pieces: [p] }, { onSuccess: onClose });
        }}
      >
        <div className="grid gap-3 sm:grid-cols-3">
          <SelectField
            label="What it is"
            value={p.form}
            onChange={(e) => {
              setTexts({});
              change({ form: e.target.value as PieceForm, sizes: {}, readings: [] });
            }}
          >
            {PIECE_FORM_NAMES.filter((f) => forms.includes(f) || f === 'thing' || f === p.form).map((f) => (
              <option key={f} value={f}>
                {formChoice(f)}
              </option>
            ))}
          </SelectField>
          <TextField
            label="Name here (where it has one)"
            value={p.name}
            maxLength={80}
            onChange={(e) => change({ name: e.target.value })}
          />
          <TextField
            label={`How many (${about.counted})`}
            inputMode="numeric"
            value={texts.count ?? String(p.count)}
            onChange={(e) => {
              setTexts((now) => ({ ...now, count: e.target.value }));
              const n = typed(e.target.value);
              if (n !== null && !Number.isNaN(n)) change({ count: n });
            }}
          />
          {about.sizes.map((size) => {
            const of = aboutSize(size);
            if (of.is === 'word')
              return (
                <SelectField
                  key={size}
                  label={of.label}
                  value={String(p.sizes[size] ?? of.of![0])}
                  onChange={(e) => change({ sizes: { ...p.sizes, [size]: e.target.value } })}
                >
                  {of.of!.map((w) => (
                    <option key={w}>{w}</option>
                  ))}
                </SelectField>
              );
            const unit = of.is === 'length' ? units.length : of.is === 'mass' ? p.unit : '';
            return (
              <TextField
                key={size}
                label={`${of.label}${unit ? `, ${unit}` : ''}`}
                hint={of.hint}
                inputMode="decimal"
                value={texts[size] ?? shownOf(size)}
                onChange={(e) => setSize(size, e.target.value)}
              />
            );
          })}
          {about.sizes.includes('mass') && (
            <SelectField
              label="Marked in"
              value={p.unit}
              onChange={(e) => change({ unit: e.target.value as Piece['unit'] })}
            >
              <option>kg</option>
              <option>lb</option>
            </SelectField>
          )}
          {(p.form === 'plates' || p.form === 'band' || p.form === 'weight') && (
            <SelectField
              label="Colour here"
              value={p.colour ?? ''}
              onChange={(e) => change({ colour: (e.target.value || null) as Colour | null })}
            >
              <option value="">none</option>
              {COLOURS.map((c) => (
                <option key={c}>{c}</option>
              ))}
            </SelectField>
          )}
          <TextField
            label="Where it stands"
            className="sm:col-span-2"
            value={p.place}
            maxLength={200}
            onChange={(e) => change({ place: e.target.value })}
          />
          <TextField
            label="People who share one in turns"
            hint="empty: as many as like"
            inputMode="numeric"
            value={texts.most ?? (p.most === null ? '' : String(p.most))}
            onChange={(e) => {
              setTexts((now) => ({ ...now, most: e.target.value }));
              const n = typed(e.target.value);
              if (n === null || !Number.isNaN(n)) change({ most: n });
            }}
          />
        </div>
        {about.readings && <Readings piece={p} onChange={change} />}
        <div className="grid gap-3 border-t border-rule pt-3 sm:grid-cols-3">
          <SelectField
            label="Condition"
            value={p.condition}
            onChange={(e) => out(e.target.value as Condition)}
          >
            {CONDITIONS.map((c) => (
              <option key={c} value={c}>
                {{ good: 'good', watch: 'watch it', out: 'out of use' }[c]}
              </option>
            ))}
          </SelectField>
          {p.condition !== 'good' && (
            <TextField
              label="Why"
              className="sm:col-span-2"
              value={p.why}
              maxLength={300}
              onChange={(e) => change({ why: e.target.value })}
            />
          )}
          <TextField
            label="Inspected on"
            type="date"
            max={hall.today}
            value={p.inspectedOn ?? ''}
            onChange={(e) => change({ inspectedOn: e.target.value || null })}
          />
          <TextField
            label="Next inspection"
            type="date"
            value={p.nextInspection ?? ''}
            onChange={(e) => change({ nextInspection: e.target.value || null })}
          />
          {p.form === 'band' && (
            <TextField
              label="To be retired on"
              type="date"
              value={p.retireOn ?? ''}
              onChange={(e) => change({ retireOn: e.target.value || null })}
            />
          )}
          <div className="flex items-end">
            <Button onClick={inspected}>Inspected today</Button>
          </div>
        </div>
        {p.condition === 'out' && piece.condition !== 'out' && piece.edit > 0 && (
          <WhatCloses without={piece.id} />
        )}
        {problem && <Notice tone="warn">{problem}</Notice>}
        {(save.error ?? remove.error) && <Notice tone="warn">{(save.error ?? remove.error)!.message}</Notice>}
        <div className="flex flex-wrap gap-3">
          <Button type="submit" tone="main" disabled={save.isPending || problem !== null}>
            Keep it
          </Button>
          <Button onClick={onClose}>Leave it as it was</Button>
          {piece.edit > 0 && (
            <Button
              tone="danger"
              className="ml-auto"
              disabled={remove.isPending}
              onClick={() => remove.mutate(undefined, { onSuccess: onClose })}
            >
              It has left the hall
            </Button>
          )}
        </div>
      </form>
      {piece.edit > 0 && <History id={piece.id} />}
    </Dialog>
  );
}

/** What a coach may do who finds it broken. */
function Flag({
  piece,
  send,
  onDone,
}: {
  piece: PieceInHall;
  send: ReturnType<typeof useSend<'flagPiece'>>;
  onDone: () => void;
}) {
  const [why, setWhy] = useState('');
  if (piece.condition === 'out')
    return (
      <Notice tone="warn">Out of use: {piece.why || 'no reason given'}. The head coach puts it back.</Notice>
    );
  return (
    <form
      className="grid gap-3"
      onSubmit={(e) => {
        e.preventDefault();
        send.mutate({ condition: 'out', why: why.trim() }, { onSuccess: onDone });
      }}
    >
      <WhatCloses without={piece.id} />
      <TextField
        label="What is wrong with it"
        required
        value={why}
        maxLength={300}
        onChange={(e) => setWhy(e.target.value)}
      />
      {send.error && <Notice tone="warn">{send.error.message}</Notice>}
      <div className="flex flex-wrap gap-3">
        <Button type="submit" tone="danger" disabled={why.trim() === '' || send.isPending}>
          Out of use at once
        </Button>
        <Button
          disabled={why.trim() === '' || send.isPending}
          onClick={() => send.mutate({ condition: 'watch', why: why.trim() }, { onSuccess: onDone })}
        >
          Watch it
        </Button>
      </div>
      <p className="text-sm text-soft">
        Out of use it counts as not there until the head coach puts it back.
      </p>
    </form>
  );
}

function History({ id }: { id: string }) {
  const { hall } = useSigned();
  const history = useAsk('pieceHistory', { id });
  const units = useUnits();
  return (
    <details className="mt-4 border-t border-rule pt-2">
      <summary>History</summary>
      <Loaded query={history} what="its history">
        {(edits) => (
          <ol>
            {edits.map((e) => (
              <li key={e.edit} className="border-b border-rule py-1 text-sm">
                {moment(e.at, hall.timeZone)}, {e.by}:{' '}
                {e.gone
                  ? 'left the hall'
                  : [
                      sizeWords(e.piece, units),
                      `${countWords(e.piece)} there`,
                      e.piece.condition === 'good'
                        ? 'good'
                        : `${e.piece.condition === 'out' ? 'out of use' : 'watched'}${e.piece.why && `: ${e.piece.why}`}`,
                      e.piece.inspectedOn && `inspected ${e.piece.inspectedOn}`,
                    ]
                      .filter(Boolean)
                      .join(', ')}
              </li>
            ))}
          </ol>
        )}
      </Loaded>
    </details>
  );
}
