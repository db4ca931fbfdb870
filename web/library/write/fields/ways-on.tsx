import type { EntrySummary } from '../../../../contract/library.ts';
import { wayOnSentence } from '../../../../core/ladder/index.ts';
import type { WayOn } from '../../../../core/library/index.ts';
import { AIDS } from '../../../../core/terms/index.ts';
import type { Aid } from '../../../../core/terms/index.ts';
import { EditList } from './edit-list.tsx';
import { NumberBox } from './number-box.tsx';

const WAYS: Record<WayOn['way'], WayOn> = {
  repetitions: { way: 'repetitions', step: 2, upTo: 15 },
  seconds: { way: 'seconds', step: 5, upTo: 40 },
  sets: { way: 'sets', step: 1, upTo: 4 },
  load: { way: 'load', stepKg: 2.5, upToKg: 40 },
  rounds: { way: 'rounds', step: 1, upTo: 5 },
  'slower lowering': { way: 'slower lowering', stepS: 1, upToS: 5 },
  'less aid': { way: 'less aid', aid: 'pads', downTo: 0 },
  'fewer aids': { way: 'fewer aids', aid: 'the pad' },
};

export function WaysOnEditor({
  value,
  equipment,
  onChange,
}: {
  value: WayOn[];
  equipment: EntrySummary[];
  onChange: (value: WayOn[]) => void;
}) {
  return (
    <EditList
      items={value}
      what="way on"
      fresh={() => WAYS.repetitions}
      onChange={onChange}
      errorAt={() => undefined}
      render={(w, i, set) => {
        const box = (label: string, key: string, max: number) => (
          <NumberBox
            label={`Way ${i + 1}: ${label}`}
            value={(w as unknown as Record<string, number>)[key]!}
            min={0}
            max={max}
            onChange={(n) => set({ ...w, [key]: n })}
          />
        );
        return (
          <div className="flex flex-wrap items-center gap-2">
            <select
              aria-label={`Way ${i + 1}`}
              className="field w-44"
              value={w.way}
              onChange={(e) => set(WAYS[e.target.value as WayOn['way']])}
            >
              {Object.keys(WAYS).map((k) => (
                <option key={k}>{k}</option>
              ))}
            </select>
            {'step' in w && (
              <>
                by {box('step', 'step', 120)} up to {box('most', 'upTo', 1800)}
              </>
            )}
            {w.way === 'load' && (
              <>
                by {box('step', 'stepKg', 100)} kg up to {box('most', 'upToKg', 500)} kg with
                <select
                  aria-label={`Way ${i + 1}: equipment`}
                  className="field w-44"
                  value={w.equipment ?? ''}
                  onChange={(e) => {
                    const { equipment: _old, ...rest } = w;
                    set(e.target.value ? { ...rest, equipment: e.target.value } : rest);
                  }}
                >
                  <option value="">any kit</option>
                  {equipment.map((e) => (
                    <option key={e.slug} value={e.slug}>
                      {e.title}
                    </option>
                  ))}
                </select>
              </>
            )}
            {w.way === 'slower lowering' && (
              <>
                by {box('step', 'stepS', 10)} s up to {box('most', 'upToS', 30)} s
              </>
            )}
            {w.way === 'less aid' && (
              <>
                <select
                  aria-label={`Way ${i + 1}: which aid`}
                  className="field w-40"
                  value={w.aid}
                  onChange={(e) => set({ ...w, aid: e.target.value as Aid })}
                >
                  {AIDS.map((a) => (
                    <option key={a}>{a}</option>
                  ))}
                </select>
                down to {box('least', 'downTo', 6)}
              </>
            )}
            {w.way === 'fewer aids' && (
              <input
                aria-label={`Way ${i + 1}: aid`}
                className="field w-44"
                value={w.aid}
                onChange={(e) => set({ ...w, aid: e.target.value })}
              />
            )}
            <span className="text-sm text-soft">{wayOnSentence(w)}</span>
          </div>
        );
      }}
    />
  );
}
