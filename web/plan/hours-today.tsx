import { Link } from 'react-router';
import { useAsk, useSigned } from '../shell/index.ts';
import { moment } from '../ui/index.ts';

/** The hours that were planned for today. */
export function HoursToday() {
  const { hall } = useSigned();
  const { data } = useAsk('hours');
  const open = (data ?? []).filter((h) => h.endedAt === null);
  if (open.length === 0) return null;
  return (
    <section aria-label="Hours on the wall" className="mb-4 border-l-[6px] border-tape bg-paper px-4 py-1">
      <ul className="flex flex-wrap gap-x-6">
        {open.map((h) => (
          <li key={h.id}>
            <Link className="flex min-h-14 items-center gap-2" to={`/floor/hours/${h.id}`}>
              <b>On the wall: {h.name}</b>
              <span className="text-soft">
                {h.startedAt === null ? 'not begun' : `since ${moment(h.startedAt, hall.timeZone)}`}
              </span>
            </Link>
          </li>
        ))}
      </ul>
    </section>
  );
}
