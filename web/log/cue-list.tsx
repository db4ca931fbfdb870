import type { TodayLine } from '../../core/floor/index.ts';
import { letterOf } from '../shell/index.ts';
import { useState } from 'react';
import { CUE_OUTCOMES } from '../../core/ladder/index.ts';
import type { CueOutcome } from '../../core/ladder/index.ts';
import { outbox } from './outbox-store.ts';

const RECORD_WORDS = { works: 'has worked', failed: 'has failed' } as const;

/** The three cues for somebody, and what came of the one just said. */
export function CueList({ personId, line, date }: { personId: string; line: TodayLine; date: string }) {
  const [said, setSaid] = useState<Record<string, CueOutcome>>({});
  const tell = (cue: string, outcome: CueOutcome) => {
    setSaid((now) => ({ ...now, [cue]: outcome }));
    const { variation } = line;
    if (variation === null) return;
    const id = crypto.randomUUID();
    void outbox.run(id, personId, {
      ...letterOf('keepCueTried', { id }, { personId, date, variation, cue, outcome }),
      words: 'What came of a cue',
    });
  };
  return (
    <ol aria-label="One cue at a time">
      {line.cues.map((c) => (
        <li key={c.slug} className="border-b border-rule py-2">
          <p className="text-lg">
            {c.text} {c.record && <span className="text-sm text-soft">({RECORD_WORDS[c.record]})</span>}
          </p>
          <div className="mt-1 flex gap-1" role="group" aria-label={`Said it: ${c.text}`}>
            {CUE_OUTCOMES.map((o) => (
              <button
                key={o}
                type="button"
                aria-pressed={said[c.slug] === o}
                onClick={() => tell(c.slug, o)}
                className={`min-h-14 grow border px-3 ${said[c.slug] === o ? 'border-tape bg-tape text-on-tape' : 'border-soft bg-paper'}`}
              >
                {o}
              </button>
            ))}
          </div>
        </li>
      ))}
    </ol>
  );
}
