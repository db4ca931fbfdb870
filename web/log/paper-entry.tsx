import { placeOfFelt } from '../../core/terms/index.ts';
import type { Felt } from '../../core/terms/index.ts';
import { useState } from 'react';
import { Link, useParams } from 'react-router';
import type { PrintedVariation } from '../../contract/sheets.ts';
import type { PersonOnLadders } from '../../contract/log.ts';
import {
  blankRow,
  AMOUNT_HINT,
  countedFor,
  countedWord,
  FAULT_LETTERS,
  logRows,
  readJob,
  readRow,
  takesLoad,
  writeJob,
} from '../../core/sheets/index.ts';
import type { PaperRow } from '../../core/sheets/index.ts';
import { blankSet } from '../../core/log/index.ts';
import { useAddress, useAsk, usePeople, useSigned, useUnits } from '../shell/index.ts';
import { Button, Empty, fromMass, Loaded, Notice, TextField } from '../ui/index.ts';
import { keepSet } from './keep-set.ts';
import { observedOf } from './observed.ts';
import { useLogUpTo } from './use-day.ts';

/** Type in what a paper log sheet says, row by row as it is printed; everything is kept at once or nothing. */
export function PaperEntry() {
  const { id = '' } = useParams();
  const { params } = useAddress();
  const { find } = usePeople();
  const person = find(id);
  const of = (params.get('of') ?? '').split(/[+ ]/).filter(Boolean);
  const asked = { job: writeJob([{ kind: 'log', of }]), person: id };
  const job = useAsk('prints', of.length > 0 && readable(of) ? asked : null);
  const ladders = useAsk('personOnLadders', { person: id });
  return (
    <div className="mx-auto max-w-5xl">
      <h1>Enter a paper sheet{person && `: ${person.name}`}</h1>
      {of.length === 0 || !readable(of) ? (
        <Empty next={{ to: `/people/${id}`, what: 'To the person’s page' }}>
          The address names no log sheet. Scan the code on the sheet, or choose it on the person’s page.
        </Empty>
      ) : (
        <Loaded query={ladders} what="the log">
          {(data) => (
            <Loaded query={job} what="the log sheet">
              {({ sheets: [sheet] }) =>
                sheet?.kind === 'log' ? (
                  <Entry personId={id} of={sheet.of} data={data} />
                ) : (
                  <Notice tone="warn">What this sheet was printed for is not in the library any more.</Notice>
                )
              }
            </Loaded>
          )}
        </Loaded>
      )}
    </div>
  );
}

function readable(of: string[]): boolean {
  try {
    return readJob(writeJob([{ kind: 'log', of }])).length === 1;
  } catch {
    return false;
  }
}

type Rows = Record<string, PaperRow[]>;
const keyOf = (v: PrintedVariation) => v.resolved.source.slug;

function Entry({ personId, of, data }: { personId: string; of: PrintedVariation[]; data: PersonOnLadders }) {
  const { hall } = useSigned();
  const units = useUnits();
  const fresh = (): Rows =>
    Object.fromEntries(of.map((v) => [keyOf(v), logRows(v.resolved.source, v.target).flat().map(blankRow)]));
  const [rows, setRows] = useState(fresh);
  const [date, setDate] = useState(hall.today);
  const all = useLogUpTo(personId, data, date);
  const [tried, setTried] = useState(false);
  const [kept, setKept] = useState<number | null>(null);
  const toKg = (shown: number) => fromMass(shown, units.mass);
  const readings = of.flatMap((v) =>
    rows[keyOf(v)]!.map((row) => ({ v, reading: readRow(row, { ...v.resolved, target: v.target }, toKg) })),
  );
  const done = readings.flatMap(({ v, reading }) =>
    reading && 'set' in reading ? [{ v, set: reading.set }] : [],
  );
  const wrong = readings.filter(({ reading }) => reading !== null && 'problems' in reading).length;
  const change = (slug: string, at: number, part: Partial<PaperRow>) => {
    setKept(null);
    setRows((now) => ({ ...now, [slug]: now[slug]!.map((r, i) => (i === at ? { ...r, ...part } : r)) }));
  };

  const keep = () => {
    setTried(true);
    if (wrong > 0 || done.length === 0) return;
    const last = Math.max(0, ...all.filter((s) => s.date === date).map((s) => s.ordinal));
    done.forEach(({ v, set }, i) => {
      const { resolved, revision, target } = v;
      keepSet(
        { personId, date, ordinal: last + i + 1, source: resolved.source, revision, target },
        {
          ...observedOf(blankSet()),
          aids: v.lastAids,
          settings: v.lastSettings,
          ...set,
        },
      );
    });
    setKept(done.length);
    setTried(false);
    setRows(fresh());
  };

  return (
    <form
      onSubmit={(e) => {
        e.preventDefault();
        keep();
      }}
    >
      <p className="text-soft">
        The rows are those of the sheet. Leave empty what is empty there; Tab goes on. Faults as on the paper:
        letter and repetitions, “a2 c”. {AMOUNT_HINT}
      </p>
      <TextField
        label="Date on the sheet"
        type="date"
        max={hall.today}
        className="my-3 max-w-48"
        value={date}
        onChange={(e) => setDate(e.target.value || hall.today)}
      />
      {of.map((v) => (
        <Block
          key={keyOf(v)}
          of={v}
          rows={rows[keyOf(v)]!}
          problems={(row) => {
            const reading = tried ? readRow(row, { ...v.resolved, target: v.target }, toKg) : null;
            return reading && 'problems' in reading ? reading.problems : [];
          }}
          onChange={(at, part) => change(keyOf(v), at, part)}
          onMore={() =>
            setRows((now) => ({
              ...now,
              [keyOf(v)]: [...now[keyOf(v)]!, ...logRows(v.resolved.source, v.target)[0]!.map(blankRow)],
            }))
          }
        />
      ))}
      <div className="mt-4 flex flex-wrap items-center gap-4">
        <Button type="submit" tone="main" floor disabled={done.length + wrong === 0}>
          Keep {done.length === 1 ? 'one set' : `${done.length} sets`}
        </Button>
        <Link to={`/people/${personId}`}>To the person’s page</Link>
      </div>
      {tried && wrong > 0 && (
        <Notice tone="warn">
          {wrong === 1 ? 'One row needs' : `${wrong} rows need`} a look. Nothing has been kept yet; what you
          typed stays.
        </Notice>
      )}
      {kept !== null && (
        <Notice>
          {kept === 1 ? 'One set is' : `${kept} sets are`} kept for {date}. They can be corrected on{' '}
          <Link to={`/floor/${personId}`}>the log page</Link>.
        </Notice>
      )}
    </form>
  );
}

const feltKey = (f: Felt) => `${f.region}|${f.kind}|${f.leg ?? ''}`;

function Block({
  of,
  rows,
  problems,
  onChange,
  onMore,
}: {
  of: PrintedVariation;
  rows: PaperRow[];
  problems: (row: PaperRow) => string[];
  onChange: (at: number, part: Partial<PaperRow>) => void;
  onMore: () => void;
}) {
  const units = useUnits();
  const { resolved: r } = of;
  const v = r.source;
  const oneSided = rows.some((row) => row.side !== null);
  const loaded = takesLoad(v);
  const counted = countedWord({ countedIn: countedFor(v, of.target) });
  const felt = [...r.wanted, ...r.tolerated, ...r.unwanted];
  const name = (row: PaperRow, i: number) =>
    `${v.shortName}, set ${oneSided ? Math.floor(i / 2) + 1 : i + 1}${row.side ? ` ${row.side}` : ''}`;
  const cell = (
    row: PaperRow,
    i: number,
    key: 'amount' | 'load' | 'effort' | 'pain' | 'faults',
    label: string,
  ) => (
    <td className="p-1">
      <input
        className={`field ${key === 'faults' ? '' : 'max-w-24'}`}
        inputMode={key === 'faults' || key === 'amount' ? 'text' : 'decimal'}
        aria-label={`${name(row, i)}: ${label}`}
        value={row[key]}
        onChange={(e) => onChange(i, { [key]: e.target.value })}
      />
    </td>
  );
  return (
    <section className="mt-4 border-t border-ink pt-2">
      <h2>{v.name}</h2>
      <p className="text-sm text-soft">
        {r.faults.map((f, i) => `${FAULT_LETTERS[i]} ${f.name}`).join(' · ')}
      </p>
      <div className="overflow-x-auto">
        <table className="w-full min-w-[44rem] text-left">
          <thead>
            <tr className="label">
              <th>Set</th>
              {oneSided && <th>Side</th>}
              <th>{counted}</th>
              {loaded && <th>{units.mass}</th>}
              <th>Effort</th>
              <th>Pain</th>
              <th>Watched</th>
              <th>Faults</th>
              <th>Felt</th>
            </tr>
          </thead>
          <tbody>
            {rows.map((row, i) => {
              const wrong = problems(row);
              return (
                <tr key={i} className="border-t border-rule align-top">
                  <td className="p-1 pt-2">
                    {oneSided ? (row.side === 'left' ? Math.floor(i / 2) + 1 : '') : i + 1}
                  </td>
                  {oneSided && <td className="p-1 pt-2">{row.side}</td>}
                  {cell(row, i, 'amount', counted)}
                  {loaded && cell(row, i, 'load', `load in ${units.mass}`)}
                  {cell(row, i, 'effort', 'effort 0 to 10')}
                  {cell(row, i, 'pain', 'pain 0 to 10')}
                  <td className="p-1 pt-2">
                    <input
                      type="checkbox"
                      className="h-6 w-6"
                      aria-label={`${name(row, i)}: watched`}
                      checked={row.watched}
                      onChange={(e) => onChange(i, { watched: e.target.checked })}
                    />
                  </td>
                  {cell(row, i, 'faults', 'faults')}
                  <td className="p-1">
                    <select
                      className="field"
                      aria-label={`${name(row, i)}: felt`}
                      value={row.felt}
                      onChange={(e) => onChange(i, { felt: e.target.value })}
                    >
                      <option value="">not asked</option>
                      {felt.map((f) => (
                        <option key={feltKey(f)} value={feltKey(f)}>
                          {f.kind}, {placeOfFelt(f)}
                        </option>
                      ))}
                    </select>
                    {wrong.map((p) => (
                      <p key={p} className="text-sm font-semibold text-warn">
                        {p}
                      </p>
                    ))}
                  </td>
                </tr>
              );
            })}
          </tbody>
        </table>
      </div>
      <Button tone="quiet" onClick={onMore}>
        One more set
      </Button>
    </section>
  );
}
