import type { TodayLine } from '../../core/floor/index.ts';
import { aboutMeasure } from '../../core/terms/index.ts';
import { usedLine } from '../log/index.ts';
import { useUnits } from '../shell/index.ts';

/** How it is set to somebody as computed, where nothing was noted yet; and what of it the hall cannot set. */
export function SetTo({ line }: { line: TodayLine }) {
  const units = useUnits();
  const computed = usedLine({ settings: line.setTo }, units);
  const noted = (line.next?.settings?.length ?? 0) > 0;
  return (
    <>
      {!noted && computed && (
        <p>
          Set to them: {computed} <span className="text-soft">(computed)</span>
        </p>
      )}
      {line.unfit.length > 0 && (
        <p className="text-warn">
          Not with what we have: {line.unfit.map((m) => aboutMeasure(m).words).join('; ')}.
        </p>
      )}
    </>
  );
}
