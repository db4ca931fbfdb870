import { useState } from 'react';
import type { PieceInHall } from '../../contract/kit.ts';
import type { EntrySummary } from '../../contract/library.ts';
import { PIECE_COLUMNS, pieceOfRow, rowOfPiece } from '../../core/exchange/index.ts';
import type { PieceRow } from '../../core/exchange/index.ts';
import { useSend } from '../shell/index.ts';
import { Button, Field, Notice } from '../ui/index.ts';

/** The kit out as a file of lines, and in again: looked at first, taken whole or not at all. */
export function KitFile({
  things,
  pieces,
}: {
  things: readonly EntrySummary[];
  pieces: readonly PieceInHall[];
}) {
  const save = useSend('savePieces');
  const [text, setText] = useState('');
  const [read, setRead] = useState<{ pieces: PieceInHall[]; problems: string[] } | null>(null);
  const out = async () => {
    const { default: Papa } = await import('papaparse');
    const csv = Papa.unparse(
      { fields: [...PIECE_COLUMNS], data: pieces.map((p) => PIECE_COLUMNS.map((c) => rowOfPiece(p)[c])) },
      { newline: '\r\n' },
    );
    const url = URL.createObjectURL(new Blob([`${csv}\r\n`], { type: 'text/csv;charset=utf-8' }));
    const a = document.createElement('a');
    a.href = url;
    a.download = 'meister-kit.csv';
    a.click();
    URL.revokeObjectURL(url);
  };
  const look = async (from: string) => {
    const { default: Papa } = await import('papaparse');
    const known = new Set(things.map((t) => t.slug));
    const { data, errors } = Papa.parse<PieceRow>(from, { header: true, skipEmptyLines: 'greedy' });
    const problems = errors.slice(0, 5).map((e) => `Line ${(e.row ?? 0) + 2}: ${e.message}.`);
    if (data.length > 400) problems.push('More than 400 lines at once.');
    const found: PieceInHall[] = [];
    for (const [i, row] of data.slice(0, 400).entries()) {
      const one = pieceOfRow(
        row,
        (e) => known.has(e),
        () => crypto.randomUUID(),
      );
      if ('problem' in one) problems.push(`Line ${i + 2}: ${one.problem}`);
      else found.push({ ...one.piece, edit: pieces.find((p) => p.id === one.piece.id)?.edit ?? 0 });
    }
    if (data.length === 0 && problems.length === 0)
      problems.push('There is no line besides the names of the columns.');
    setRead({ pieces: found, problems });
    save.reset();
  };
  const fresh = read?.pieces.filter((p) => p.edit === 0).length ?? 0;
  return (
    <div className="max-w-4xl">
      <p className="mb-3 text-soft">
        Comma-separated values, one line a piece or lot, the first line the names of the columns; lengths in
        metres, masses in the unit of the line. What is empty is not known.
      </p>
      <Button onClick={() => void out()}>Download the kit ({pieces.length} lines)</Button>
      <h2 className="mt-6 border-b border-ink pb-1">In</h2>
      <details className="py-2">
        <summary>The columns</summary>
        <p className="text-sm">
          {PIECE_COLUMNS.join(', ')}. Needed: equipment (its short id, as in a downloaded file).
        </p>
      </details>
      <Field label="A file, or paste below">
        {(props) => (
          <input
            type="file"
            accept=".csv,text/csv,text/plain"
            className="field"
            {...props}
            onChange={(e) => {
              const file = e.target.files?.[0];
              if (file)
                void file.text().then((t) => {
                  setText(t);
                  return look(t);
                });
            }}
          />
        )}
      </Field>
      <textarea
        aria-label="Pasted lines"
        className="field mt-2 font-mono text-sm"
        rows={6}
        placeholder="equipment,form,count,height_m,place"
        value={text}
        onChange={(e) => {
          setText(e.target.value);
          setRead(null);
        }}
      />
      <div className="mt-2 flex flex-wrap items-center gap-3">
        <Button disabled={text.trim() === ''} onClick={() => void look(text)}>
          Look at it first
        </Button>
        {read && read.problems.length === 0 && (
          <Button
            tone="main"
            disabled={save.isPending || save.isSuccess}
            onClick={() => save.mutate({ pieces: read.pieces })}
          >
            Take {read.pieces.length} {read.pieces.length === 1 ? 'line' : 'lines'}: {fresh} new,{' '}
            {read.pieces.length - fresh} changed
          </Button>
        )}
      </div>
      {read && read.problems.length > 0 && (
        <Notice tone="warn">
          Nothing was taken.
          <ul>
            {read.problems.slice(0, 30).map((p) => (
              <li key={p}>{p}</li>
            ))}
          </ul>
        </Notice>
      )}
      {save.error && <Notice tone="warn">{save.error.message}</Notice>}
      {save.isSuccess && <Notice>Taken.</Notice>}
    </div>
  );
}
