import { useState } from 'react';
import { useAsk, useLink } from '../shell/index.ts';
import { Button, fullDay, Loaded, writeDatesAs } from '../ui/index.ts';
import type { Paper } from './paper.tsx';
import { PrintedJob } from './print-job.tsx';
import { Verdict } from './verdict.tsx';

/** Sheets behind a link, without sign-in; with what the paper in hand shows, when it was scanned. */
export function SharedPage() {
  return (
    <Loaded query={useLink('shared')} what="the link">
      {(link) => <Shared link={link} />}
    </Loaded>
  );
}

function Shared({ link }: { link: string }) {
  const [asked] = useState(() => new URLSearchParams(location.search));
  const job = useAsk('shared', { link });
  const state = useAsk(
    'sharedState',
    asked.has('state') ? { link, job: asked.get('job') ?? '', state: Number(asked.get('state')) } : null,
  );
  const [paper, setPaper] = useState<Paper | null>(null);
  return (
    <main className="px-3 py-4 md:px-6 print:p-0">
      {asked.has('state') && !job.error && (
        <div className="no-print mx-auto mb-6 max-w-3xl">
          <Loaded query={state} what="what has changed">
            {(s) => <Verdict state={s} />}
          </Loaded>
        </div>
      )}
      <Loaded query={job} what="the sheets">
        {(j) => {
          writeDatesAs(j.hall.dates);
          const shown = paper ?? j.hall.paper;
          return (
            <>
              <div className="no-print mx-auto mb-4 flex max-w-3xl flex-wrap items-center gap-3">
                <p className="grow">
                  From {j.hall.name}
                  {j.until && `, to be read until ${fullDay(j.until.slice(0, 10))}`}
                </p>
                <Button onClick={() => setPaper(shown === 'A4' ? 'Letter' : 'A4')}>
                  On {shown === 'A4' ? 'Letter' : 'A4'} instead
                </Button>
                <Button tone="main" onClick={() => print()}>
                  Print on {shown}
                </Button>
              </div>
              <div className="overflow-x-auto print:overflow-visible">
                <PrintedJob job={j} paper={shown} link={link} />
              </div>
            </>
          );
        }}
      </Loaded>
    </main>
  );
}
