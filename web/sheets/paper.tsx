import { createContext, use, useLayoutEffect, useRef, useState } from 'react';
import type { ReactNode } from 'react';
import type { PrintJob, PrintedSheet, PrintedVariation } from '../../contract/sheets.ts';
import { editionLabel } from '../../core/exchange/index.ts';
import { lineWords, sheetBlocks, writeJob } from '../../core/sheets/index.ts';
import type { Block, BlockId, BlockLine, Medium } from '../../core/sheets/index.ts';
import type { ResolvedVariation } from '../../core/library/index.ts';
import { fullDay, keptTogether } from '../ui/index.ts';
import { Qr } from './qr.tsx';
import { useHandheld } from './use-handheld.ts';

const MM = 96 / 25.4;
export const PAGE_MM = { A4: { width: 210, height: 297 }, Letter: { width: 215.9, height: 279.4 } };
export type Paper = keyof typeof PAGE_MM;
const MARGIN_MM = 12;
/** Left free at the foot: printers round, and a page too many is worse than a line of white. */
const SPARE_MM = 3;

/** What every sheet of a job is printed with. */
export interface Printing {
  job: PrintJob;
  paper: Paper;
  /** Token of the shared link that is being read; null for those who are signed in. */
  /** The shared link that it was printed from, by its id; null: printed by the staff. */
  link: string | null;
  contents: string | null;
  /** Told how many pages a sheet takes once it has been measured. */
  onPages?: (sheet: string, pages: number) => void;
}
const PrintingContext = createContext<Printing | null>(null);
export const PrintingProvider = PrintingContext.Provider;
export function usePrinting(): Printing {
  const printing = use(PrintingContext);
  if (!printing) throw new Error('A sheet stands outside a print job.');
  return printing;
}

/** What stands on a kind of paper, by block. */
export type Blocks = ReadonlyMap<BlockId, Block>;
export const blocksById = (on: Medium, r: ResolvedVariation): Blocks =>
  new Map(sheetBlocks(on, r).map((b) => [b.id, b]));
/** The lines of a block said one after the other. */
export const inOneLine = (blocks: Blocks, id: BlockId, by = ' '): string =>
  keptTogether(blocks.get(id)?.lines.map(lineWords).join(by) ?? '');

/** Where a printed sheet leads: the live sheet, with the state that the paper shows. */
export function scanAddress({ job, link }: Pick<Printing, 'job' | 'link'>, sheet: PrintedSheet): string {
  const of = new URLSearchParams({ job: writeJob([sheet.item]), state: String(job.state) });
  if (!link && job.person) of.set('person', job.person.id);
  return `${job.publicUrl}${link ? `/shared/${link}` : '/scan'}?${of}`;
}

interface Props {
  sheet: PrintedSheet;
  /** Sizes from roomy to tight, taken in turn until the content fits. */
  steps: number;
  /** Pages the sheet may take at its tightest. */
  most: number;
  /** Smallest type on it, in points. */
  leastPt: number;
  /** Size on a screen narrower than the paper, where nothing has to fit a page. */
  handheldStep?: number;
  children: (step: number) => ReactNode;
}

/** Pages that the content takes when its unbreakable blocks are pushed to the next page where they would be cut. */
function pagesOf(content: HTMLElement, room: number): number {
  const top = content.getBoundingClientRect().top;
  let pushed = 0;
  for (const block of content.querySelectorAll('.sheet-block')) {
    const box = block.getBoundingClientRect();
    const from = box.top - top + pushed;
    const pageEnd = (Math.floor(from / room) + 1) * room;
    if (from + box.height > pageEnd && box.height <= room) pushed += pageEnd - from;
  }
  return Math.ceil((content.scrollHeight + pushed) / room);
}

/** One sheet on its own page or pages: the content at the roomiest size that fits, and the foot with the QR code. */
export function PaperSheet({ sheet, steps, most, leastPt, handheldStep = 0, children }: Props) {
  const printing = usePrinting();
  const { job, paper, contents, onPages } = printing;
  const id = writeJob([sheet.item]);
  const key = `${id} ${paper} ${job.state} ${job.person?.id ?? ''} ${contents ?? ''}`;
  const ref = useRef<HTMLDivElement>(null);
  const [fit, setFit] = useState({ key, step: 0, pages: 1 });
  const now = fit.key === key ? fit : { key, step: 0, pages: 1 };
  const handheld = useHandheld();
  const room = (PAGE_MM[paper].height - 2 * MARGIN_MM - SPARE_MM) * MM;
  useLayoutEffect(() => {
    let gone = false;
    const check = () => {
      if (gone || handheld || !ref.current) return;
      if (pagesOf(ref.current, room) <= now.pages) {
        onPages?.(id, now.pages);
        return;
      }
      // Smaller type first, then another page with the roomiest again.
      if (now.step < steps - 1) setFit({ key, step: now.step + 1, pages: now.pages });
      else if (now.pages < most) setFit({ key, step: 0, pages: now.pages + 1 });
    };
    check();
    // Once more when the fonts are there: they decide how wide the words are.
    void document.fonts.ready.then(check);
    return () => {
      gone = true;
    };
  }, [key, now.step, now.pages, room, steps, most, id, onPages, handheld]);
  return (
    <article
      data-sheet={id}
      data-pages={now.pages}
      className="sheet-paper mx-auto bg-white text-black"
      style={
        handheld
          ? { padding: '4mm' }
          : {
              width: `${PAGE_MM[paper].width}mm`,
              minHeight: `${PAGE_MM[paper].height}mm`,
              padding: `${MARGIN_MM}mm`,
            }
      }
    >
      <div ref={ref} className="sheet-content flow-root">
        {contents && (
          <p className="mb-1 border-b border-black pb-1 leading-tight" style={{ fontSize: `${leastPt}pt` }}>
            {contents}
          </p>
        )}
        {children(handheld ? handheldStep : now.step)}
        <Foot sheet={sheet} sizePt={leastPt} />
      </div>
    </article>
  );
}

function Foot({ sheet, sizePt }: { sheet: PrintedSheet; sizePt: number }) {
  const printing = usePrinting();
  const { job } = printing;
  return (
    <footer
      className="sheet-block mt-2 flex items-center justify-between gap-4 border-t border-black pt-1 leading-tight"
      style={{ fontSize: `${sizePt}pt` }}
    >
      <p>
        {job.hall.name}
        <br />
        {editionLabel(job.edition)}, {fullDay(job.hall.today)}
      </p>
      <div className="flex items-center gap-2">
        <span className="text-right">
          Still right?
          <br />
          Scan
        </span>
        <Qr
          text={scanAddress(printing, sheet)}
          sizeMm={24}
          label="Leads to the live sheet and says whether this paper is current"
        />
      </div>
    </footer>
  );
}

/** What a person may not do now is said where it would be read as an invitation. */
export function BarredNow({ barred }: Pick<PrintedVariation, 'barred'>) {
  const { job } = usePrinting();
  return barred ? (
    <p className="my-1 border-[3px] border-black px-2 font-bold">
      Barred for {job.person?.name ?? 'this person'} for now: not to be done until the head coach says so.
    </p>
  ) : null;
}

/** Headings with the lines of some blocks, in the order given; nothing where there are none. */
export function Parts({ blocks, ids }: { blocks: Blocks; ids: readonly BlockId[] }) {
  return ids.flatMap((id) => {
    const block = blocks.get(id);
    return block ? (
      <Part key={id} title={block.title}>
        <Lines lines={block.lines} />
      </Part>
    ) : (
      []
    );
  });
}

export function Part({ title, children }: { title: string; children: ReactNode }) {
  return (
    <section className="mt-2 break-inside-avoid">
      <h2 className="border-b border-black text-[1.1em] leading-tight">{title}</h2>
      {children}
    </section>
  );
}

export function Lines({ lines }: { lines: readonly BlockLine[] | undefined }) {
  return (
    <ul>
      {lines?.map((l) => (
        <li key={lineWords(l)} className="break-inside-avoid">
          {keptTogether(lineWords(l))}
        </li>
      ))}
    </ul>
  );
}
