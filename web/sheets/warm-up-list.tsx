import type { PrintedSheet } from '../../contract/sheets.ts';
import { BARRED } from '../../core/sheets/index.ts';
import { PrintedFigures } from './figures.tsx';
import { blocksById, inOneLine, PaperSheet, usePrinting } from './paper.tsx';

const SIZES = [
  { text: 13, figure: 0.3 },
  { text: 12, figure: 0.26 },
  { text: 11, figure: 0.22 },
  { text: 10, figure: 0.18 },
];

/** The drills before today's work, to be ticked; it ends early when the target is felt. */
export function WarmUpList({ sheet }: { sheet: Extract<PrintedSheet, { kind: 'warm-up' }> }) {
  const { job } = usePrinting();
  const barred = sheet.leftOut.filter((l) => l.why === BARRED);
  return (
    <PaperSheet sheet={sheet} steps={SIZES.length} most={1} leastPt={10}>
      {(step) => {
        const size = SIZES[step]!;
        return (
          <div style={{ fontSize: `${size.text}pt`, lineHeight: 1.2 }}>
            <header className="border-b-[5px] border-black pb-1">
              <p>
                Before {sheet.of.join(', ')}
                {job.person && `, for ${job.person.name}`}
              </p>
              <h1 className="text-[26pt] leading-none">
                Warm-up, about {Math.max(1, Math.round(sheet.seconds / 60))} min
              </h1>
            </header>
            <p className="mt-1">
              Tick and go on. It ends when the muscles of today are felt; fewer are fine when that comes
              early.
            </p>
            {sheet.entries.length === 0 && barred.length === 0 && (
              <p className="mt-4 font-semibold">No drill is named for this work.</p>
            )}
            <ol className="mt-1">
              {sheet.entries.map(({ of, step: what, because }) => {
                const { resolved: r } = of;
                const on = blocksById('warm-up', r);
                return (
                  <li
                    key={r.source.slug}
                    className="flex items-center gap-4 border-b border-black py-1.5 break-inside-avoid"
                  >
                    <span aria-hidden="true" className="text-[1.8em] leading-none">
                      ☐
                    </span>
                    <div className="grow">
                      <p>
                        <b className="font-head text-[1.2em]">{r.source.name}</b>, {inOneLine(on, 'dose')}
                      </p>
                      <p>
                        {inOneLine(on, 'cues')} {inOneLine(on, 'range')}
                      </p>
                      <p className="text-[0.9em]" style={{ fontSize: 'max(0.9em, 9pt)' }}>
                        {what}, {because}
                      </p>
                    </div>
                    <PrintedFigures
                      mechanics={r.mechanics}
                      pattern={r.source.pattern}
                      scale={size.figure}
                      alone
                    />
                  </li>
                );
              })}
            </ol>
            {barred.length > 0 && <p className="mt-1">Not today: {barred.map((l) => l.name).join(', ')}.</p>}
            <p className="mt-2 border-2 border-black p-1.5">
              Stiff back, knees or ankles: say so first. A stretch pulls, it does not hurt; sharp or rising
              pain ends it.
            </p>
          </div>
        );
      }}
    </PaperSheet>
  );
}
