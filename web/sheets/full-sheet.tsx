import type { SheetOfOne } from '../../contract/sheets.ts';
import { VIEW_WORDS } from '../../core/terms/index.ts';
import { PrintedFigures } from './figures.tsx';
import { CautionsOnPaper } from './cautions-on-paper.tsx';
import { BarredNow, blocksById, inOneLine, Lines, PaperSheet, Part, Parts, usePrinting } from './paper.tsx';
import { aidsLine, askedWords } from './words.ts';

/** Type in points and the figure's scale, from roomy to tight; nothing is smaller than 9 pt. */
const SIZES = [
  { text: 10, cue: 22, figure: 0.5 },
  { text: 9.5, cue: 20, figure: 0.44 },
  { text: 9, cue: 18, figure: 0.4 },
  { text: 9, cue: 15, figure: 0.34 },
  { text: 9, cue: 13, figure: 0.28 },
];

/** Everything a coach may want to know of a variation, on one page, or two where it is long. */
export function FullSheet({ sheet }: { sheet: SheetOfOne }) {
  const { job } = usePrinting();
  const { resolved: r, revision } = sheet.of;
  const v = r.source;
  const aids = aidsLine(sheet.of, job);
  const on = blocksById('full', r);
  const cues = new Map(r.cues.map((c) => [`cue/${c.slug}`, `${c.phase}, ${VIEW_WORDS[c.view]}`]));
  const plain = new Map(on.get('plain')?.lines.map((l) => [l.of, l.text]));
  const [first, more] = [on.get('cues')?.lines.slice(0, 3), on.get('cues')?.lines.slice(3)];
  return (
    <PaperSheet sheet={sheet} steps={SIZES.length} most={2} leastPt={9}>
      {(step) => {
        const size = SIZES[step]!;
        return (
          <div style={{ fontSize: `${size.text}pt`, lineHeight: 1.25 }}>
            <header className="flex items-end justify-between gap-4 border-b-[5px] border-black pb-1">
              <div>
                <p>
                  {v.pattern}, {v.laterality}, {v.direction}
                  {job.person && `, for ${job.person.name}`}
                </p>
                <h1 className="text-[24pt] leading-none">{v.name}</h1>
                {v.alsoCalled && (
                  <p className="text-[max(0.85em,9pt)]">Also called {v.alsoCalled.join(', ')}</p>
                )}
              </div>
              <p className="text-right">
                <b>{askedWords(sheet.of, inOneLine(on, 'dose'), job.hall.massUnit)}</b>
                <br />
                {inOneLine(on, 'tempo')} Revision {revision}
              </p>
            </header>
            <BarredNow barred={sheet.of.barred} />
            <p className="mt-1">{inOneLine(on, 'purpose')}</p>
            <div className="flex justify-between gap-x-6 gap-y-2 border-b max-sm:flex-wrap border-black py-2">
              <ol>
                {first?.map((c, i) => (
                  <li
                    key={c.of}
                    className="flex gap-3 py-1 font-head leading-[1.1] font-bold"
                    style={{ fontSize: `${size.cue}pt` }}
                  >
                    <span>{i + 1}</span>
                    <span>
                      {c.text}
                      <span className="block font-read text-[9pt] leading-tight font-normal">
                        {plain.get(c.of)} ({cues.get(c.of!)})
                      </span>
                    </span>
                  </li>
                ))}
              </ol>
              <PrintedFigures mechanics={r.mechanics} pattern={v.pattern} scale={size.figure} captions />
            </div>
            <div className="gap-8 sm:columns-2 print:columns-2">
              <Parts blocks={on} ids={['equipment']} />
              {aids && <p>Last time: {aids}.</p>}
              <Parts blocks={on} ids={['gettingIn', 'stance', 'hands', 'range', 'breathing', 'gettingOut']} />
              {on.has('runThrough') && (
                <Part title="Run-through">
                  <p>{inOneLine(on, 'runThrough', ' → ')}</p>
                </Part>
              )}
              {more && more.length > 0 && (
                <Part title="More cues, one at a time">
                  <Lines lines={more.map((c) => ({ ...c, text: `${c.text} (${cues.get(c.of!)})` }))} />
                </Part>
              )}
              <Parts blocks={on} ids={['faults', 'felt']} />
              {on.has('prepare') && (
                <Part title="Before it">
                  <p>{inOneLine(on, 'prepare', ', ')}</p>
                </Part>
              )}
            </div>
            <section className="sheet-block mt-2 border-2 border-black p-1.5">
              <h2 className="text-[1.1em] leading-tight">Cautions</h2>
              <CautionsOnPaper columns of={r} block={on.get('cautions')} />
            </section>
          </div>
        );
      }}
    </PaperSheet>
  );
}
