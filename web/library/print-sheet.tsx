import { useLayoutEffect, useRef, useState } from 'react';
import { Link, useParams } from 'react-router';
import type { Start } from '../../contract/hall.ts';
import type { Sheet } from '../../contract/library.ts';
import { VIEW_WORDS } from '../../core/library/index.ts';
import { editionLabel } from '../../core/exchange/index.ts';
import { useGet } from '../shell/index.ts';
import { Button, fullDay, Loaded } from '../ui/index.ts';
import { REFERENCE_BUILD } from '../../core/body/index.ts';
import { Movement } from '../figure/index.ts';
import { tempoWords } from './sheet-view.tsx';

const MM = 96 / 25.4;
const PAGE_MM = { A4: { width: 210, height: 297 }, Letter: { width: 216, height: 279 } };
const MARGIN_MM = 12;
/** Type sizes in points, from roomy to tight; nothing is set smaller than 9 pt. */
const SIZES = [
  { text: 10, cue: 25, figure: 0.62 },
  { text: 9.5, cue: 23, figure: 0.56 },
  { text: 9, cue: 21, figure: 0.5 },
  { text: 9, cue: 18, figure: 0.42 },
  { text: 9, cue: 16, figure: 0.36 },
];

/** The first size at which the content is no higher than the page; measured, since text decides. */
function useFitting(paper: 'A4' | 'Letter', key: string) {
  const ref = useRef<HTMLElement>(null);
  const [step, setStep] = useState({ key, at: 0 });
  const at = step.key === key ? step.at : 0;
  useLayoutEffect(() => {
    const page = ref.current;
    if (!page || at === SIZES.length - 1) return;
    const room = (PAGE_MM[paper].height - 2 * MARGIN_MM) * MM;
    const check = () => {
      if (page.firstElementChild!.scrollHeight > room) setStep({ key, at: at + 1 });
    };
    // Once more when the fonts are there: they decide how wide the words are.
    void document.fonts.ready.then(check);
    check();
  }, [paper, key, at]);
  return { ref, size: SIZES[at]! };
}

/** The cue sheet for the wall: one page, black and white, three cues to read from afar. */
export function PrintSheet() {
  const { slug } = useParams();
  const sheet = useGet<Sheet>(`/api/sheets/${slug}`);
  const start = useGet<Start>('/api/start');
  const hall = start.data?.hall;
  const paper = hall?.paper ?? 'A4';
  const { ref, size } = useFitting(paper, `${slug} ${paper} ${sheet.data?.revision}`);
  return (
    <Loaded query={sheet} what="the sheet">
      {({ resolved: r, edition, revision }) => {
        const v = r.source;
        const leading = r.cues.slice(0, 3);
        const rest = r.cues.slice(3);
        const dose = r.dose.find((d) => d.role === 'work') ?? r.dose[0];
        return (
          <div className="bg-ground print:bg-white">
            {/* React lifts the page size into the head. */}
            <style
              href={`page-${paper}`}
              precedence="default"
            >{`@page { size: ${paper}; margin: ${MARGIN_MM}mm; }`}</style>
            <nav aria-label="Print" className="no-print flex items-center gap-4 px-6 py-3">
              <Link to={`/library/variation/${slug}`}>Back to the sheet</Link>
              <Button tone="main" onClick={() => print()}>
                Print on {paper}
              </Button>
              <span className="text-soft">One page, black and white.</span>
            </nav>
            <main
              ref={ref}
              className="mx-auto bg-white p-[12mm] text-black print:w-auto! print:p-0"
              style={{ width: `${PAGE_MM[paper].width}mm`, fontSize: `${size.text}pt`, lineHeight: 1.3 }}
            >
              <div>
                <header className="flex items-end justify-between border-b-[5px] border-black pb-2">
                  <div>
                    <p className="text-[10pt]">
                      {v.pattern}, {v.laterality}, tempo {tempoWords(v.tempo)} s
                    </p>
                    <h1 className="text-[26pt] leading-none">{v.name}</h1>
                  </div>
                  <p className="text-right text-[10pt]">
                    {dose && (
                      <>
                        {dose.sets} ×{' '}
                        {dose.holdS
                          ? `${dose.holdS} s`
                          : dose.repsFrom === dose.repsTo
                            ? dose.repsFrom
                            : `${dose.repsFrom}–${dose.repsTo}`}
                        {v.laterality === 'two legs' ? '' : ' each side'}
                        <br />
                        rest {dose.restS} s
                      </>
                    )}
                  </p>
                </header>
                <div className="flex justify-between gap-6 border-b border-black py-3">
                  <ol>
                    {leading.map((c, i) => (
                      <li
                        key={c.slug}
                        className="flex gap-4 py-1.5 font-head leading-[1.1] font-bold"
                        style={{ fontSize: `${size.cue}pt` }}
                      >
                        <span>{i + 1}</span>
                        <span>
                          {c.text}
                          <span className="block font-read text-[10pt] leading-tight font-normal">
                            {c.phase}, {VIEW_WORDS[c.view]}
                          </span>
                        </span>
                      </li>
                    ))}
                  </ol>
                  <div className="shrink-0">
                    <Movement
                      mechanics={r.mechanics}
                      pattern={v.pattern}
                      build={REFERENCE_BUILD}
                      detail="plain"
                      scale={size.figure}
                      print
                    />
                  </div>
                </div>
                <div className="grid grid-cols-2 gap-x-8 [&_h2]:mt-2 [&_h2]:border-b [&_h2]:border-black [&_h2]:text-[1.1em]">
                  <div>
                    <h2>Set up and get in</h2>
                    <List
                      lines={[
                        ...r.equipmentAll.map(
                          (n) => `${n.equipment.name}${n.setUp.length ? `: ${n.setUp.join(' ')}` : ''}`,
                        ),
                        ...r.equipmentAny.map((g) => `One of: ${g.map((n) => n.equipment.name).join(', ')}.`),
                        ...r.lines.gettingIn,
                      ]}
                    />
                    <h2>Stance, hands, eyes</h2>
                    <List lines={[...r.lines.stance, ...r.lines.hands, ...r.lines.gaze]} />
                    <h2>Range, breathing</h2>
                    <List lines={[...r.lines.rangeNotes, ...r.lines.breathing]} />
                    <h2>Get out, and if it goes wrong</h2>
                    <List lines={[...r.lines.gettingOut, ...r.lines.ifItGoesWrong]} />
                  </div>
                  <div>
                    {rest.length > 0 && (
                      <>
                        <h2>More cues, one at a time</h2>
                        <List lines={rest.map((c) => `${c.text} (${c.phase}, ${VIEW_WORDS[c.view]})`)} />
                      </>
                    )}
                    {r.lines.runThrough.length > 0 && (
                      <>
                        <h2>Run-through</h2>
                        <p>{r.lines.runThrough.join(' → ')}</p>
                      </>
                    )}
                    <h2>Faults: first answer</h2>
                    <List
                      lines={r.faults.map(
                        (f) =>
                          `${f.name}${f.severity === 3 ? ' (ends the set)' : ''}: ${f.answers[0]?.text ?? f.whenToStop}`,
                      )}
                    />
                    <h2>Felt</h2>
                    <p>Wanted: {r.wanted.map((f) => `${f.kind}, ${f.region}`).join('; ')}.</p>
                    <p>Not wanted: {r.unwanted.map((f) => `${f.kind}, ${f.region}`).join('; ')}.</p>
                  </div>
                </div>
                <section className="mt-2 border-2 border-black p-2">
                  <h2 className="text-[1.1em]">Cautions</h2>
                  <List lines={r.cautions.map((c) => `${c.name}: ${c.lines.join(' ')}`)} />
                </section>
                <footer className="mt-2 flex justify-between text-[9pt]">
                  <span>{hall?.name}</span>
                  <span>
                    {editionLabel(edition)} ({edition.name}), sheet revision {revision}, printed{' '}
                    {hall ? fullDay(hall.today) : ''}
                  </span>
                </footer>
              </div>
            </main>
          </div>
        );
      }}
    </Loaded>
  );
}

function List({ lines }: { lines: string[] }) {
  return (
    <ul>
      {lines.map((l) => (
        <li key={l}>{l}</li>
      ))}
    </ul>
  );
}
