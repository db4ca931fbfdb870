import type { PrintedLevel, PrintedSheet } from '../../contract/sheets.ts';
import { sentencesOf } from '../../core/criterion/index.ts';
import { written } from '../ui/index.ts';
import { PrintedFigures } from './figures.tsx';
import { PaperSheet, usePrinting } from './paper.tsx';

const SIZES = [
  { text: 12, figure: 0.6, indentMm: 6 },
  { text: 11, figure: 0.5, indentMm: 5 },
  { text: 10, figure: 0.42, indentMm: 4.5 },
  { text: 10, figure: 0.36, indentMm: 4 },
  { text: 9, figure: 0.34, indentMm: 3.5 },
  { text: 9, figure: 0.28, indentMm: 3 },
  { text: 9, figure: 0.22, indentMm: 2.5 },
];

/** On a phone the stairs are flatter. */
const MOST_INDENT_PERCENT = 3;

/** The ladder as stairs, the hardest level on top, each with its figure and what earns the next. */
export function Poster({ sheet }: { sheet: Extract<PrintedSheet, { kind: 'poster' }> }) {
  const { job } = usePrinting();
  const { ladder, levels, standing } = sheet;
  return (
    <PaperSheet sheet={sheet} steps={SIZES.length} most={1} leastPt={9} handheldStep={SIZES.length - 1}>
      {(step) => {
        const size = SIZES[step]!;
        return (
          <div style={{ fontSize: `${size.text}pt`, lineHeight: 1.2 }}>
            <header className="border-b-[5px] border-black pb-1">
              <h1 className="text-[26pt] leading-none">{ladder.name}</h1>
              <p>{ladder.purpose.map((l) => l.text).join(' ')} Read it from the bottom.</p>
            </header>
            <ol className="mt-2" reversed>
              {[...levels].reverse().map((level, i) => {
                const number = levels.length - i;
                return (
                  <li
                    key={level.id}
                    className="block"
                    style={{
                      marginLeft: `min(${(number - 1) * size.indentMm}mm, ${(number - 1) * MOST_INDENT_PERCENT}%)`,
                    }}
                  >
                    <Stair
                      level={level}
                      number={number}
                      top={number === levels.length}
                      scale={size.figure}
                      standing={standing === level.id ? (job.person?.name ?? null) : null}
                      branches={sheet.branches.filter((b) => b.from === level.id)}
                    />
                  </li>
                );
              })}
            </ol>
            <p className="mt-1 border-t-[5px] border-black pt-1">
              Sharp or rising pain ends the set, at every level. A level back is no shame: it is the next way
              up.
            </p>
          </div>
        );
      }}
    </PaperSheet>
  );
}

function Stair({
  level,
  number,
  top,
  scale,
  standing,
  branches,
}: {
  level: PrintedLevel;
  number: number;
  top: boolean;
  scale: number;
  standing: string | null;
  branches: Extract<PrintedSheet, { kind: 'poster' }>['branches'];
}) {
  const { job } = usePrinting();
  return (
    <div className="flex items-end gap-3 border-t-[3px] border-l-[3px] border-black py-0.5 pl-2">
      <div className="grow">
        <p className="leading-tight">
          <b className="font-head text-[1.3em]">
            {number} {level.name}
          </b>
          {level.main === level.name ? '' : ` ${level.main}`}, {level.dose}
          {standing && <b> ◀ {standing} stands here</b>}
        </p>
        {level.equals.length > 0 && <p>Or: {level.equals.join(', ')}</p>}
        <p>
          {top ? 'Sound here: ' : 'Up: '}
          {written(sentencesOf(level.advance).join('; '), job.hall.today, job.hall.massUnit)}
        </p>
        {branches.map((b) => (
          <SideFlight key={b.name} branch={b} person={job.person?.name ?? null} />
        ))}
      </div>
      <PrintedFigures mechanics={level.mechanics} pattern={level.pattern} scale={scale} alone />
    </div>
  );
}

/** A branch as a small flight of its own, each step a little higher than the one before. */
function SideFlight({
  branch,
  person,
}: {
  branch: Extract<PrintedSheet, { kind: 'poster' }>['branches'][number];
  person: string | null;
}) {
  return (
    <p className="mt-0.5 flex flex-wrap items-end gap-y-0.5 text-[0.9em] leading-tight">
      <b className="mr-1.5">{branch.name}:</b>
      {branch.steps.map((name, i) => (
        <span
          key={name}
          className="border-t-2 border-l-2 border-black px-1"
          style={{ marginBottom: `${0.18 * i}em` }}
        >
          {name}
          {branch.standing === name && person && <b> ◀ {person}</b>}
        </span>
      ))}
    </p>
  );
}
