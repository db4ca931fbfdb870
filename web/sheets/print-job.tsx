import type { PrintJob, PrintedSheet } from '../../contract/sheets.ts';
import { writeJob } from '../../core/sheets/index.ts';
import { Notice } from '../ui/index.ts';
import { FloorSheet } from './floor-sheet.tsx';
import { FullSheet } from './full-sheet.tsx';
import { Handout } from './handout.tsx';
import { LogSheet } from './log-sheet.tsx';
import { PrintingProvider } from './paper.tsx';
import type { Paper, Printing } from './paper.tsx';
import { Poster } from './poster.tsx';
import { WarmUpList } from './warm-up-list.tsx';
import { contentsOf } from './words.ts';

function Sheet({ sheet }: { sheet: PrintedSheet }) {
  switch (sheet.kind) {
    case 'floor':
      return <FloorSheet sheet={sheet} />;
    case 'full':
      return <FullSheet sheet={sheet} />;
    case 'handout':
      return <Handout sheet={sheet} />;
    case 'log':
      return <LogSheet sheet={sheet} />;
    case 'warm-up':
      return <WarmUpList sheet={sheet} />;
    case 'poster':
      return <Poster sheet={sheet} />;
  }
}

interface Props {
  job: PrintJob;
  paper: Paper;
  link: string | null;
  onPages?: Printing['onPages'];
}

/** All sheets of a job, one after the other as the printer will give them; the first carries the contents line. */
export function PrintedJob({ job, paper, link, onPages }: Props) {
  const contents = contentsOf(job);
  return (
    <>
      {/* React lifts the page size into the head; the margin is the sheet's own. */}
      <style href={`page-${paper}`} precedence="default">{`@page { size: ${paper}; margin: 12mm; }`}</style>
      {job.missing.length > 0 && (
        <div className="no-print mb-3">
          <Notice tone="warn">Not in the library any more, and left out: {job.missing.join('; ')}.</Notice>
        </div>
      )}
      {job.sheets.map((sheet, i) => (
        <PrintingProvider
          key={`${i} ${writeJob([sheet.item])}`}
          value={{ job, paper, link, contents: i === 0 ? contents : null, onPages }}
        >
          <Sheet sheet={sheet} />
        </PrintingProvider>
      ))}
    </>
  );
}
