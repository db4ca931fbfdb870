import { sidesApart } from '../../core/terms/index.ts';
import type { SheetOfOne } from '../../contract/sheets.ts';
import { PrintedFigures } from './figures.tsx';
import { CautionsOnPaper } from './cautions-on-paper.tsx';
import { BarredNow, blocksById, inOneLine, Lines, PaperSheet, Part, Parts, usePrinting } from './paper.tsx';
import { aidsLine, askedWords, atHomeLine, setToLine } from './words.ts';

const SIZES = [
  { text: 14, cue: 32, figure: 0.75 },
  { text: 13, cue: 28, figure: 0.65 },
  { text: 12, cue: 26, figure: 0.55 },
  { text: 11, cue: 24, figure: 0.45 },
  { text: 10, cue: 22, figure: 0.4 },
];

const HOW = ['gettingIn', 'stance', 'range', 'breathing', 'gettingOut'] as const;

/** For an athlete to take home: one thing to think of, how much, what stands in for the kit, when to stop. */
export function Handout({ sheet }: { sheet: SheetOfOne }) {
  const { job } = usePrinting();
  const { resolved: r } = sheet.of;
  const v = r.source;
  const aids = aidsLine(sheet.of, job);
  const setTo = setToLine(sheet.of, job);
  const home = atHomeLine(sheet.of, job);
  const on = blocksById('handout', r);
  const runThrough = inOneLine(on, 'runThrough', ' → ');
  return (
    <PaperSheet sheet={sheet} steps={SIZES.length} most={1} leastPt={10}>
      {(step) => {
        const size = SIZES[step]!;
        return (
          <div style={{ fontSize: `${size.text}pt`, lineHeight: 1.3 }}>
            <header className="border-b-[5px] border-black pb-1">
              {job.person && <p className="font-semibold">For {job.person.name}</p>}
              <h1 className="text-[28pt] leading-none">{v.name}</h1>
              {v.alsoCalled && <p className="text-[max(0.8em,9pt)]">Also called {v.alsoCalled.join(', ')}</p>}
              <p className="mt-1">{inOneLine(on, 'purpose')}</p>
            </header>
            <BarredNow barred={sheet.of.barred} />
            <div className="my-3 flex items-center justify-between gap-x-6 gap-y-2 max-sm:flex-wrap">
              <div>
                <p>One thing to think of</p>
                <p className="font-head leading-[1.1] font-bold" style={{ fontSize: `${size.cue}pt` }}>
                  {inOneLine(on, 'cues') || runThrough}
                </p>
                {on.has('plain') && <p className="mt-1">{inOneLine(on, 'plain')}</p>}
              </div>
              <PrintedFigures mechanics={r.mechanics} pattern={v.pattern} scale={size.figure} />
            </div>
            <Part title="How much">
              <p className="font-semibold">
                {askedWords(sheet.of, inOneLine(on, 'dose'), job.hall.massUnit)}. {inOneLine(on, 'tempo')}
              </p>
              {sidesApart(v) && <p>The weaker side first; do no more on the other.</p>}
              {aids ? <p>As last time: {aids}.</p> : setTo && <p>Set to you: {setTo}.</p>}
              {home && <p>At home: {home}.</p>}
            </Part>
            <Part title="How">
              <Lines lines={HOW.flatMap((id) => on.get(id)?.lines ?? [])} />
              {runThrough && <p className="mt-1 font-semibold">{runThrough}</p>}
            </Part>
            <Parts blocks={on} ids={['equipment']} />
            <section className="mt-3 border-[3px] border-black p-2 break-inside-avoid">
              <h2 className="text-[1.1em] leading-tight">When to stop</h2>
              <Lines lines={on.get('stop')?.lines} />
              <CautionsOnPaper of={r} block={on.get('cautions')} />
            </section>
          </div>
        );
      }}
    </PaperSheet>
  );
}
