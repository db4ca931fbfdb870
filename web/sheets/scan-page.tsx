import { Link } from 'react-router';
import { writeJob } from '../../core/sheets/index.ts';
import { useAddress, useAsk, useSigned } from '../shell/index.ts';
import { Loaded } from '../ui/index.ts';
import { Verdict } from './verdict.tsx';

/** Where the QR code of a printed sheet leads: whether the paper is current, and on to the live sheet. */
export function ScanPage() {
  const { params } = useAddress();
  const { me } = useSigned();
  const person = params.get('person');
  const state = useAsk('printedState', {
    job: params.get('job') ?? '',
    state: Number(params.get('state') ?? NaN),
  });
  return (
    <div className="mx-auto max-w-3xl">
      <Loaded query={state} what="what has changed">
        {(s) => {
          const again = new URLSearchParams({ job: writeJob([s.item]), ...(person ? { person } : {}) });
          const live =
            s.item.kind === 'poster' ? `/ladders/${s.item.of[0]}` : `/library/variation/${s.item.of[0]}`;
          return (
            <>
              <Verdict state={s} />
              <p className="mt-5 flex flex-wrap gap-x-6 gap-y-2">
                <Link
                  to={`/print?${again}`}
                  className="inline-flex min-h-11 items-center border border-tape bg-tape px-4 font-semibold text-on-tape no-underline"
                >
                  {s.verdict === 'outdated' ? 'Print it anew' : 'Print another'}
                </Link>
                <Link to={live} className="inline-flex min-h-11 items-center">
                  Open the live {s.item.kind === 'poster' ? 'ladder' : 'sheet'}
                </Link>
                {s.item.kind === 'log' && person && me.role !== 'viewer' && (
                  <Link
                    to={`/floor/${person}/paper?of=${s.item.of.join('+')}`}
                    className="inline-flex min-h-11 items-center"
                  >
                    Enter what is written on it
                  </Link>
                )}
              </p>
            </>
          );
        }}
      </Loaded>
    </div>
  );
}
