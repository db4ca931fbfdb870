import { Link } from 'react-router';
import type { ReportToRead } from '../../contract/reports.ts';
import { useAsk, useSend, useSigned } from '../shell/index.ts';
import { Button, day, Notice } from '../ui/index.ts';
import { reportWords } from './report-words.ts';

/** Of one person the newest are told; the rest stands on their page. */
const LINES = 4;

/** Pain and stops that the reader has not taken note of, and every stop that is open: before anything else. */
export function Reports({ shown }: { shown: (personId: string) => boolean }) {
  const { hall } = useSigned();
  const reports = useAsk('reports');
  const note = useSend('takeNote', {});
  const own = (reports.data ?? []).filter((r) => shown(r.personId));
  if (own.length === 0) return null;
  const unread = own.filter((r) => r.unread);
  const people = [...new Set(own.map((r) => r.personId))].map((id) => own.filter((r) => r.personId === id));
  // Who is stopped stands before whoever told of pain.
  people.sort((a, b) => Number(b.some((r) => r.open)) - Number(a.some((r) => r.open)));
  const take = (of: readonly ReportToRead[]) => note.mutate({ reports: of.map((r) => r.id) });
  return (
    <section aria-label="Pain and stops" className="mb-6 border-l-[10px] border-warn bg-paper px-5 py-3">
      <div className="flex flex-wrap items-center justify-between gap-3">
        <h2 className="text-warn">Pain and stops{unread.length > 0 && `: ${unread.length} new`}</h2>
        {unread.length > 1 && people.length > 1 && (
          <Button tone="quiet" disabled={note.isPending} onClick={() => take(unread)}>
            All noted
          </Button>
        )}
      </div>
      {note.error && <Notice tone="warn">{note.error.message}</Notice>}
      <ul>
        {people.map((of) => {
          const news = of.filter((r) => r.unread);
          const first = of[0]!;
          const stopped = of.some((r) => r.open);
          return (
            <li key={first.personId} className="flex flex-wrap items-start gap-x-4 border-t border-rule py-2">
              <Link className="w-44 font-semibold" to={`/people/${first.personId}`}>
                {first.name}
              </Link>
              <ul className="min-w-64 flex-1">
                {of.slice(0, LINES).map((r) => (
                  <li key={r.id}>
                    {r.open && <b className="text-warn">Stopped. </b>}
                    <span className={r.unread ? 'font-semibold' : ''}>
                      {day(r.date, hall.today)}: {reportWords(r)}
                    </span>
                    <span className="text-soft">, told by {r.by}</span>
                  </li>
                ))}
                {of.length > LINES && <li className="text-soft">and {of.length - LINES} more before</li>}
              </ul>
              {stopped && (
                <Link className="inline-flex min-h-9 items-center" to={`/people/${first.personId}`}>
                  To the stop
                </Link>
              )}
              {news.length > 0 && (
                <Button disabled={note.isPending} onClick={() => take(news)}>
                  Noted
                </Button>
              )}
            </li>
          );
        })}
      </ul>
    </section>
  );
}
