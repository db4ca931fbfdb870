import type { PrintedSheet, PrintedVariation } from '../../contract/sheets.ts';
import {
  AMOUNT_HINT,
  countedFor,
  countedWord,
  FAULT_LETTERS,
  logRows,
  takesLoad,
} from '../../core/sheets/index.ts';
import { BarredNow, blocksById, inOneLine, PaperSheet, usePrinting } from './paper.tsx';
import { aidsLine, askedWords } from './words.ts';

const SIZES = [
  { text: 10, rowMm: 8 },
  { text: 9, rowMm: 7 },
  { text: 9, rowMm: 6 },
];

/** A blank log to be filled with a pencil; its rows are those of the page where it is entered afterwards. */
export function LogSheet({ sheet }: { sheet: Extract<PrintedSheet, { kind: 'log' }> }) {
  const { job } = usePrinting();
  return (
    <PaperSheet sheet={sheet} steps={SIZES.length} most={4} leastPt={9}>
      {(step) => {
        const size = SIZES[step]!;
        return (
          <div style={{ fontSize: `${size.text}pt`, lineHeight: 1.2 }}>
            <header className="flex items-end justify-between gap-6 border-b-[5px] border-black pb-1">
              <h1 className="text-[22pt] leading-none">Log</h1>
              <p className="grow whitespace-nowrap">
                Name {job.person ? <b>{job.person.name}</b> : <Blank />}
              </p>
              <p className="whitespace-nowrap">
                Date <Blank short />
              </p>
              <p className="whitespace-nowrap">
                Coach <Blank short />
              </p>
            </header>
            <p className="mt-1">
              Leave empty what was not asked or not seen. Effort and pain 0 to 10; pain 0 is asked and none.
              Sharp or rising pain ends the set.
            </p>
            {sheet.of.map((v) => (
              <Block key={v.resolved.source.slug} of={v} rowMm={size.rowMm} />
            ))}
          </div>
        );
      }}
    </PaperSheet>
  );
}

const Blank = ({ short = false }: { short?: boolean }) => (
  <span className="inline-block border-b border-black" style={{ width: short ? '32mm' : '60mm' }}>
    &nbsp;
  </span>
);

function Block({ of, rowMm }: { of: PrintedVariation; rowMm: number }) {
  const { job } = usePrinting();
  const { resolved: r } = of;
  const v = r.source;
  const rows = logRows(v, of.target);
  const aids = aidsLine(of, job);
  const on = blocksById('log', r);
  const counted = countedWord({ countedIn: countedFor(v, of.target) });
  const loaded = takesLoad(v);
  const columns = [
    'Set',
    ...(rows.some((sides) => sides.length > 1) ? ['Side'] : []),
    counted,
    ...(loaded ? [job.hall.massUnit] : []),
    'Effort',
    'Pain',
    'Watched',
    'Faults: letter × reps',
    'Felt where',
  ];
  const wide = new Set(['Faults: letter × reps', 'Felt where']);
  return (
    <section className="sheet-block mt-2">
      <h2 className="text-[1.25em] leading-tight">
        {v.name}{' '}
        <span className="font-normal">{askedWords(of, inOneLine(on, 'dose'), job.hall.massUnit)}</span>
      </h2>
      <BarredNow barred={of.barred} />
      <p>
        {on
          .get('faults')
          ?.lines.map((f, i) => `${FAULT_LETTERS[i]} ${f.text}`)
          .join(' · ')}
        {aids && ` · Last time: ${aids}`} · {AMOUNT_HINT}
      </p>
      <div className="overflow-x-auto print:overflow-visible">
        <table className="mt-0.5 w-full border-collapse">
          <thead>
            <tr>
              {columns.map((c) => (
                <th
                  key={c}
                  className="border border-black px-1 text-left font-semibold"
                  style={{ width: wide.has(c) ? '24%' : undefined }}
                >
                  {c}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {rows.map((sides, set) =>
              sides.map((side) => (
                <tr key={`${set} ${side}`} style={{ height: `${rowMm}mm` }}>
                  {columns.map((c) => (
                    <td key={c} className="border border-black px-1">
                      {c === 'Set' ? set + 1 : c === 'Side' ? side : c === 'Watched' ? '☐' : ''}
                    </td>
                  ))}
                </tr>
              )),
            )}
          </tbody>
        </table>
      </div>
    </section>
  );
}
