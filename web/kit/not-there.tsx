import type { PieceInHall } from '../../contract/kit.ts';
import type { EntrySummary } from '../../contract/library.ts';
import { daysBetween, notThere } from '../../core/terms/index.ts';
import { useAsk, usePeople, useSigned, useUnits } from '../shell/index.ts';
import { Button, day } from '../ui/index.ts';
import { absenceWords, sizeWords } from './words.ts';

/** Days ahead that an inspection is told. */
const SOON_DAYS = 14;

/** What counts as not there, before everything else; then what is due soon. */
export function NotThere({
  pieces,
  things,
  onOpen,
}: {
  pieces: readonly PieceInHall[];
  things: readonly EntrySummary[];
  onOpen: (p: PieceInHall) => void;
}) {
  const { hall } = useSigned();
  const units = useUnits();
  const gone = pieces.filter((p) => p.count > 0 && notThere(p, hall.today) !== null);
  const soon = pieces.filter(
    (p) =>
      notThere(p, hall.today) === null &&
      p.nextInspection !== null &&
      daysBetween(hall.today, p.nextInspection) <= SOON_DAYS,
  );
  const nameOf = (p: PieceInHall) =>
    [things.find((t) => t.slug === p.equipment)?.title ?? p.equipment, sizeWords(p, units)]
      .filter(Boolean)
      .join(', ');
  if (gone.length === 0 && soon.length === 0) return null;
  return (
    <section aria-label="Not there" className="mb-4 border-l-[7px] border-warn bg-paper px-4 py-2">
      {gone.length > 0 && (
        <>
          <h2>Counts as not there</h2>
          <ul>
            {gone.map((p) => (
              <li key={p.id} className="flex flex-wrap items-baseline gap-x-3">
                <Button tone="quiet" onClick={() => onOpen(p)}>
                  {nameOf(p)}
                </Button>
                <span className="text-warn">
                  {absenceWords(p, hall.today)}
                  {p.outSince && `, since ${day(p.outSince)}`}
                </span>
              </li>
            ))}
          </ul>
        </>
      )}
      {gone.length > 0 && <WhatCloses />}
      {soon.length > 0 && (
        <p className="text-soft">
          To be inspected soon: {soon.map((p) => `${nameOf(p)} by ${day(p.nextInspection!)}`).join('; ')}.
        </p>
      )}
    </section>
  );
}

/** What is closed while pieces are not there: to whom first, then the movements. @param without absent: as it is today */
export function WhatCloses({ without }: { without?: string | undefined }) {
  const { me } = useSigned();
  const { nameOf } = usePeople();
  const closes = useAsk('closes', me.role === 'viewer' ? null : without ? { without: [without] } : {});
  if (!closes.data) return closes.error ? null : <p className="text-soft">Working out what that closes …</p>;
  const { lost, variations } = closes.data;
  if (lost.length === 0 && variations.length === 0)
    return <p className="text-soft">Nobody’s level is closed by it.</p>;
  const of = (today: boolean) => lost.filter((l) => l.today === today);
  const line = (title: string, list: typeof lost) =>
    list.length > 0 && (
      <p>
        <strong>{title}:</strong> {list.map((l) => `${nameOf(l.person)} (${l.name})`).join(', ')}.
      </p>
    );
  return (
    <>
      {line('Closed to those who train today', of(true))}
      {line('Closed to others', of(false))}
      {variations.length > 0 && (
        <p className="text-soft">Nobody can do now: {variations.map((v) => v.name).join(', ')}.</p>
      )}
    </>
  );
}
