import { BodyMap, Stepper } from '../log/index.ts';
import type { CheckIn } from '../../contract/session.ts';
import { Button } from '../ui/index.ts';

/** Where somebody is sore since the last session, and for how many days: it informs, and proves nothing. */
export function SorePlaces({
  value,
  onChange,
}: {
  value: CheckIn['sore'];
  onChange: (sore: CheckIn['sore']) => void;
}) {
  const list = value ?? [];
  const words =
    value === null ? 'not asked' : list.length === 0 ? 'asked, nowhere' : list.map(soreWords).join('; ');
  return (
    <details className="border-y border-rule py-2">
      <summary className="min-h-14 content-center text-lg">
        <span className="font-head font-semibold">Sore since last time:</span> {words}
      </summary>
      <p className="text-soft">
        Tap where. Being sore the next day says what was new or much; it does not show that work was good or
        bad. Sharp, or in a joint: that is pain, told above.
      </p>
      <BodyMap
        kind="pressure"
        felt={list.map((s) => ({ ...s, kind: 'pressure' }))}
        wanted={[]}
        onTap={({ region, side }) => {
          const same = (s: (typeof list)[number]) => s.region === region && s.side === side;
          onChange(list.some(same) ? list.filter((s) => !same(s)) : [...list, { region, side, days: 1 }]);
        }}
      />
      <div className="mt-2 flex flex-wrap gap-4">
        {list.map((s, i) => (
          <Stepper
            key={`${s.region} ${s.side}`}
            label={`${s.region}${s.side ? ` ${s.side}` : ''}, days`}
            value={s.days}
            step={1}
            onChange={(days) =>
              onChange(list.map((x, j) => (j === i ? { ...x, days: Math.min(30, Math.round(days)) } : x)))
            }
          />
        ))}
        {value === null && (
          <Button floor onClick={() => onChange([])}>
            Asked: not sore
          </Button>
        )}
      </div>
    </details>
  );
}

/** "front of thigh left, 2 days". */
export const soreWords = ({ region, side, days }: NonNullable<CheckIn['sore']>[number]): string =>
  `${region}${side ? ` ${side}` : ''}, ${days === 1 ? '1 day' : `${days} days`}`;
