import { aboutAtom, isAtom } from '../../core/criterion/index.ts';
import type { Judged, Judgement } from '../../core/criterion/index.ts';
import { Said, useUnits } from '../shell/index.ts';
import { capital, day, tidy, toMass } from '../ui/index.ts';

const STATES: Record<Judgement, { mark: string; word: string; className: string }> = {
  met: { mark: '✓', word: 'met', className: 'font-semibold' },
  'not met': { mark: '—', word: 'not met', className: 'font-semibold text-warn' },
  unknown: { mark: '?', word: 'not known', className: 'text-soft italic' },
};

function State({ judgement, wanted }: { judgement: Judgement; wanted: boolean }) {
  const { mark, word, className } = STATES[judgement];
  // In a step-back list "met" is the bad news.
  const tone = wanted ? className : judgement === 'met' ? 'font-semibold text-warn' : 'text-soft';
  return (
    <span className={`whitespace-nowrap ${tone}`}>
      <span aria-hidden="true">{mark}</span>{' '}
      {wanted ? word : { met: 'holds', 'not met': 'does not hold', unknown: 'not known' }[judgement]}
    </span>
  );
}

interface Row {
  judged: Judged;
  depth: number;
  label: string;
}

function rowsOf(judged: Judged, depth = 0): Row[] {
  const c = judged.criterion;
  if ((c.kind === 'all' || c.kind === 'any') && depth === 0) return judged.parts.flatMap((p) => rowsOf(p, 1));
  const own: Row = { judged, depth, label: judged.sentence };
  if (c.kind === 'sessionsRunning') {
    return [
      own,
      ...judged.parts.flatMap((p) => {
        const inner = p.criterion.kind === 'all' || p.criterion.kind === 'any' ? p.parts : [p];
        return inner.map((x) => ({ judged: x, depth: depth + 1, label: x.sentence }));
      }),
    ];
  }
  if (c.kind === 'all' || c.kind === 'any')
    return [own, ...judged.parts.flatMap((p) => rowsOf(p, depth + 1))];
  return [own];
}

/** The criterion part by part: needed, seen, when, how far off, and whether it is known at all. */
export function Evidence({ judged, today, wanted }: { judged: Judged; today: string; wanted: boolean }) {
  const units = useUnits();
  return (
    <table className="w-full text-left text-[0.95rem]">
      <thead>
        <tr className="border-b border-ink text-sm">
          <th className="py-1 pr-3">{wanted ? 'Needed to move up' : 'Steps back when'}</th>
          <th className="pr-3">Seen</th>
          <th className="pr-3">When</th>
          <th className="pr-3">By how much</th>
          <th>State</th>
        </tr>
      </thead>
      <tbody>
        {rowsOf(judged).map(({ judged: j, depth, label }, i) => (
          <tr key={i} className="border-b border-rule align-top [&>td]:py-1.5">
            <td className={`pr-3 ${depth > 1 ? 'pl-5 text-soft' : ''}`}>
              <Said of={capital(label)} />
            </td>
            <td className="pr-3">
              <Said of={j.account} />
            </td>
            <td className="pr-3 whitespace-nowrap">{j.date && depth !== 0 ? day(j.date, today) : ''}</td>
            <td className="pr-3 whitespace-nowrap">{margin(j, units.mass, wanted)}</td>
            <td>
              <State judgement={j.judgement} wanted={wanted} />
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

const SESSIONS = ['session', 'sessions'] as const;

function margin(j: Judged, mass: 'kg' | 'lb', wanted: boolean): string {
  if (j.margin === null) return '';
  const c = j.criterion.kind === 'not' ? j.criterion.of : j.criterion;
  if (j.margin === 0) {
    if (c.kind === 'faultsAtMost' && c.count === 0) return 'none seen';
    if (c.kind === 'painAtMost' && c.pain === 0) return 'none';
    return wanted ? 'exactly met' : 'at the limit';
  }
  const words = c.kind === 'sessionsRunning' ? SESSIONS : isAtom(c) ? aboutAtom(c.kind).unit?.(c) : undefined;
  const inKg = words?.[1] === 'kg';
  const amount = tidy(inKg ? toMass(Math.abs(j.margin), mass) : Math.abs(j.margin), inKg ? 1 : 0);
  const unit = inKg ? mass : (words?.[amount === '1' ? 0 : 1] ?? '');
  return j.margin > 0 ? `${amount} ${unit} to spare` : `${amount} ${unit} off`;
}
