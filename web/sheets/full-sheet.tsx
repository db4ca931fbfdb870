import type { SheetOfOne } from '../../contract/sheets.ts';
import { VIEW_WORDS } from '../../core/terms/index.ts';
import { PrintedFigures } from './figures.tsx';
import { BarredNow, Lines, PaperSheet, Part, usePrinting } from './paper.tsx';
import { aidsLine, askedOf, kitLines, tempoLine } from './words.ts';

/** Type in points and the figure's scale, from roomy to tight; nothing is smaller than 9 pt. */
const SIZES = [
  { text: 10, cue: 22, figure: 0.5 },
  { text: 9.5, cue: 20, figure: 0.44 },
  { text: 9, cue: 18, figure: 0.4 },
  { text: 9, cue: 15, figure: 0.34 },
  { text: 9, cue: 13, figure: 0.28 },
];
const felt = (f: { kind: string; region: string }) => `${f.kind}, ${f.region}`;

/** Everything a coach may want to know of a variation, on one page, or two where it is long. */
export function FullSheet({ sheet }: { sheet: SheetOfOne }) {
  const { job } = usePrinting();
  const { resolved: r, revision } = sheet.of;
  const v = r.source;
  const aids = aidsLine(sheet.of);
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
              </div>
              <p className="text-right">
                <b>{askedOf(sheet.of, job.hall.massUnit)}</b>
                <br />
                {tempoLine(r)}, revision {revision}
              </p>
            </header>
            <BarredNow barred={sheet.of.barred} />
            <p className="mt-1">{r.lines.purpose.join(' ')}</p>
            <div className="flex justify-between gap-x-6 gap-y-2 border-b max-sm:flex-wrap border-black py-2">
              <ol>
                {r.cues.slice(0, 3).map((c, i) => (
                  <li
                    key={c.slug}
                    className="flex gap-3 py-1 font-head leading-[1.1] font-bold"
                    style={{ fontSize: `${size.cue}pt` }}
                  >
                    <span>{i + 1}</span>
                    <span>
                      {c.text}
                      <span className="block font-read text-[9pt] leading-tight font-normal">
                        {c.phase}, {VIEW_WORDS[c.view]}
                      </span>
                    </span>
                  </li>
                ))}
              </ol>
              <PrintedFigures mechanics={r.mechanics} pattern={v.pattern} scale={size.figure} captions />
            </div>
            <div className="gap-8 sm:columns-2 print:columns-2">
              <Part title="Set up and get in">
                <Lines lines={[...kitLines(r), ...r.lines.setUpMeasures, ...r.lines.gettingIn]} />
                {aids && <p>Last time: {aids}.</p>}
              </Part>
              <Part title="Stance, hands, eyes">
                <Lines
                  lines={[...r.lines.stance, ...r.lines.hands, ...r.lines.gaze, ...r.lines.supportNotes]}
                />
              </Part>
              <Part title="Range and breathing">
                <Lines lines={[...r.lines.rangeNotes, ...r.lines.breathing]} />
              </Part>
              <Part title="Get out, and if it goes wrong">
                <Lines lines={[...r.lines.gettingOut, ...r.lines.ifItGoesWrong]} />
              </Part>
              {r.lines.runThrough.length > 0 && (
                <Part title="Run-through">
                  <p>{r.lines.runThrough.join(' → ')}</p>
                </Part>
              )}
              {r.cues.length > 3 && (
                <Part title="More cues, one at a time">
                  <Lines
                    lines={r.cues.slice(3).map((c) => `${c.text} (${c.phase}, ${VIEW_WORDS[c.view]})`)}
                  />
                </Part>
              )}
              <Part title="Faults and their first answers">
                <Lines
                  lines={r.faults.map(
                    (f) =>
                      `${f.name}${f.severity === 3 ? ' (ends the set)' : ''}: ${
                        f.answers
                          .slice(0, 2)
                          .map((a) => a.text)
                          .join(' ') || f.whenToStop
                      }`,
                  )}
                />
              </Part>
              <Part title="Felt">
                <Lines
                  lines={[
                    `Wanted: ${r.wanted.map(felt).join('; ')}.`,
                    ...(r.tolerated.length ? [`Let pass: ${r.tolerated.map(felt).join('; ')}.`] : []),
                    ...r.unwanted.map((u) => `Not ${felt(u)}${u.suggests ? `: ${u.suggests}` : '.'}`),
                  ]}
                />
              </Part>
              {r.drills.length > 0 && (
                <Part title="Before it">
                  <p>{r.drills.map((d) => d.name).join(', ')}</p>
                </Part>
              )}
            </div>
            <section className="sheet-block mt-2 border-2 border-black p-1.5">
              <h2 className="text-[1.1em] leading-tight">Cautions</h2>
              <div className="gap-6 sm:columns-2 print:columns-2">
                <Lines lines={r.cautions.map((c) => `${c.name}: ${c.lines.join(' ')}`)} />
              </div>
            </section>
          </div>
        );
      }}
    </PaperSheet>
  );
}
