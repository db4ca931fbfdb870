import type { SheetOfOne } from '../../contract/sheets.ts';
import { PrintedFigures } from './figures.tsx';
import { BarredNow, Lines, PaperSheet, Part, usePrinting } from './paper.tsx';
import { aidsLine, askedOf, stopRules, tempoLine } from './words.ts';

const SIZES = [
  { text: 14, cue: 32, figure: 0.75 },
  { text: 13, cue: 28, figure: 0.65 },
  { text: 12, cue: 26, figure: 0.55 },
  { text: 11, cue: 24, figure: 0.45 },
  { text: 10, cue: 22, figure: 0.4 },
];

/** For an athlete to take home: one thing to think of, how much, what stands in for the kit, when to stop. */
export function Handout({ sheet }: { sheet: SheetOfOne }) {
  const { job } = usePrinting();
  const { resolved: r } = sheet.of;
  const v = r.source;
  const aids = aidsLine(sheet.of);
  const kit = [...r.equipmentAll, ...r.equipmentAny.flat()];
  const [think] = r.cues;
  return (
    <PaperSheet sheet={sheet} steps={SIZES.length} most={1} leastPt={10}>
      {(step) => {
        const size = SIZES[step]!;
        return (
          <div style={{ fontSize: `${size.text}pt`, lineHeight: 1.3 }}>
            <header className="border-b-[5px] border-black pb-1">
              {job.person && <p className="font-semibold">For {job.person.name}</p>}
              <h1 className="text-[28pt] leading-none">{v.name}</h1>
              <p className="mt-1">{r.lines.purpose.join(' ')}</p>
            </header>
            <BarredNow barred={sheet.of.barred} />
            <div className="my-3 flex items-center justify-between gap-x-6 gap-y-2 max-sm:flex-wrap">
              <div>
                <p>One thing to think of</p>
                <p className="font-head leading-[1.1] font-bold" style={{ fontSize: `${size.cue}pt` }}>
                  {think?.text ?? r.lines.runThrough.join(' → ')}
                </p>
              </div>
              <PrintedFigures mechanics={r.mechanics} pattern={v.pattern} scale={size.figure} />
            </div>
            <Part title="How much">
              <p className="font-semibold">
                {askedOf(sheet.of, job.hall.massUnit)}. {tempoLine(r)}: down, bottom, up, top.
              </p>
              {v.laterality !== 'two legs' && <p>The weaker side first; do no more on the other.</p>}
              {aids && <p>As last time: {aids}.</p>}
            </Part>
            <Part title="How">
              <Lines
                lines={[
                  ...r.lines.gettingIn,
                  ...r.lines.stance.slice(0, 2),
                  ...r.lines.rangeNotes,
                  ...r.lines.breathing,
                  ...r.lines.gettingOut,
                ]}
              />
              {r.lines.runThrough.length > 0 && (
                <p className="mt-1 font-semibold">{r.lines.runThrough.join(' → ')}</p>
              )}
            </Part>
            {kit.length > 0 && (
              <Part title="At home instead">
                <Lines
                  lines={kit.map(
                    (n) =>
                      `${n.equipment.name}: ${n.equipment.homeSubstitutes.map((l) => l.text).join(' ') || 'nothing stands in for it; do this one at the hall.'}`,
                  )}
                />
              </Part>
            )}
            <section className="mt-3 border-[3px] border-black p-2 break-inside-avoid">
              <h2 className="text-[1.1em] leading-tight">When to stop</h2>
              <Lines
                lines={[
                  ...stopRules(r),
                  ...r.unwanted
                    .filter((u) => u.kind === 'pain')
                    .map((u) => `Pain, ${u.region}${u.suggests ? `: ${u.suggests}` : '.'}`),
                  ...r.lines.ifItGoesWrong.map((l) => `If it goes wrong: ${l}`),
                ]}
              />
              <Lines lines={r.cautions.map((c) => `${c.name}: ${c.lines.join(' ')}`)} />
            </section>
          </div>
        );
      }}
    </PaperSheet>
  );
}
