import type { SheetOfOne } from '../../contract/sheets.ts';
import { PrintedFigures } from './figures.tsx';
import { BarredNow, blocksById, inOneLine, PaperSheet, usePrinting } from './paper.tsx';
import { aidsLine, askedWords, setToLine } from './words.ts';

/** Type in points and the figure's scale, from roomy to tight; nothing is smaller than 20 pt. */
const SIZES = [
  { text: 26, cue: 44, title: 46, figure: 1.5 },
  { text: 24, cue: 41, title: 43, figure: 1.2 },
  { text: 22, cue: 38, title: 40, figure: 0.9 },
  { text: 21, cue: 34, title: 36, figure: 0.8 },
  { text: 20, cue: 30, title: 32, figure: 0.7 },
  { text: 20, cue: 27, title: 28, figure: 0.6 },
  { text: 20, cue: 24, title: 26, figure: 0.5 },
  { text: 20, cue: 22, title: 24, figure: 0.42 },
];

/** To be read at two metres: figure, three cues, the run-through, what is asked, when to stop. */
export function FloorSheet({ sheet }: { sheet: SheetOfOne }) {
  const { job } = usePrinting();
  const { resolved: r } = sheet.of;
  const aids = aidsLine(sheet.of, job);
  const setTo = setToLine(sheet.of, job);
  const on = blocksById('floor', r);
  const [runThrough, kit] = [inOneLine(on, 'runThrough', ' → '), inOneLine(on, 'equipment', ', ')];
  return (
    <PaperSheet sheet={sheet} steps={SIZES.length} most={1} leastPt={20} handheldStep={SIZES.length - 1}>
      {(step) => {
        const size = SIZES[step]!;
        return (
          <div style={{ fontSize: `${size.text}pt`, lineHeight: 1.15 }}>
            <h1
              className="border-b-[5px] border-black pb-1 leading-none"
              style={{ fontSize: `${size.title}pt` }}
            >
              {r.source.name}
            </h1>
            {job.person && <p className="font-semibold">For {job.person.name}</p>}
            <BarredNow barred={sheet.of.barred} />
            <div className="my-2 flex justify-center">
              <PrintedFigures mechanics={r.mechanics} pattern={r.source.pattern} scale={size.figure} />
            </div>
            <ol className="border-y-2 border-black py-1">
              {on.get('cues')?.lines.map((c, i) => (
                <li
                  key={c.of}
                  className="flex gap-4 py-1 font-head leading-[1.08] font-bold"
                  style={{ fontSize: `${size.cue}pt` }}
                >
                  <span>{i + 1}</span>
                  <span>{c.text}</span>
                </li>
              ))}
            </ol>
            {runThrough && <p className="mt-1">{runThrough}</p>}
            <p className="mt-1 font-semibold">
              {askedWords(sheet.of, inOneLine(on, 'dose'), job.hall.massUnit)}. {inOneLine(on, 'tempo')}
            </p>
            {aids ? <p>Last time: {aids}</p> : setTo ? <p>Set to: {setTo}</p> : kit && <p>{kit}</p>}
            <p className="mt-1 border-[3px] border-black px-2 py-1">
              <b>Stop</b> {inOneLine(on, 'stop')}
            </p>
          </div>
        );
      }}
    </PaperSheet>
  );
}
