import type { Correctable, CorrectionRow } from '../../contract/people.ts';
import { useAsk, useLibrary, useSigned } from '../shell/index.ts';
import { day, moment } from '../ui/index.ts';

const WORDS: Record<Correctable, string> = {
  details: 'Details',
  build: 'Build',
  'range test': 'Range test',
  'weight on the feet': 'Weight on the feet',
  'own answer': 'Own answer',
  'questions before work': 'Questions before work',
  'fault worked on': 'Fault worked on',
  'gate of a chain': 'Gate of a chain',
  cue: 'Cue',
};
const FIELDS: Record<string, string> = {
  squadId: 'squad',
  statureM: 'stature, m',
  massKg: 'mass, kg',
  firstAid: 'first aid',
  emergency: 'whom to call',
  coachIds: 'coaches named',
  sleepH: 'hours slept',
  atEase: 'at ease',
  massSet: 'mass table',
  recordedBy: 'written down by',
  leftKg: 'left foot, kg',
  rightKg: 'right foot, kg',
  shiftCm: 'hips off the plumb line, cm',
  front: 'foot in front',
};

/** What was changed about the person after it was kept: what it said before, who changed it and when. */
export function Corrections({ personId }: { personId: string }) {
  const rows = useAsk('corrections', { person: personId });
  if (!rows.data || rows.data.length === 0) return null;
  return (
    <details>
      <summary className="min-h-9 cursor-pointer content-center font-head font-semibold">
        Changed afterwards ({rows.data.length})
      </summary>
      <ul>
        {rows.data.map((r, i) => (
          <Row key={i} row={r} />
        ))}
      </ul>
    </details>
  );
}

function Row({ row: r }: { row: CorrectionRow }) {
  const { hall } = useSigned();
  const { titleOf } = useLibrary();
  const squads = useAsk('squads');
  const gone = Object.values(r.after).every((v) => v === null);
  const said = (field: string, value: unknown): string => {
    if (value === null || value === '') return 'nothing';
    if (field === 'squadId') return squads.data?.find((s) => s.id === value)?.name ?? 'another squad';
    if (typeof value === 'boolean') return value ? 'yes' : 'no';
    if (Array.isArray(value)) return value.length === 1 ? '1 entry' : `${value.length} entries`;
    return typeof value === 'number' || typeof value === 'string' ? String(value) : 'other';
  };
  const what =
    r.what === 'own answer'
      ? `${WORDS[r.what]}, ${titleOf('houseQuestion', r.key)}`
      : r.what === 'questions before work'
        ? `${WORDS[r.what]} of ${day(r.key, hall.today)}`
        : WORDS[r.what];
  return (
    <li className="border-b border-rule py-1 text-sm">
      <b>{what}</b>{' '}
      {gone
        ? `taken away; it said ${Object.entries(r.before)
            .map(([f, v]) => `${FIELDS[f] ?? f} ${said(f, v)}`)
            .join(', ')}`
        : Object.entries(r.before)
            .map(([f, v]) => `${FIELDS[f] ?? f}: ${said(f, r.after[f])}, before ${said(f, v)}`)
            .join('; ')}
      <span className="text-soft">
        , by {r.by}, {moment(r.at, hall.timeZone)}
      </span>
    </li>
  );
}
