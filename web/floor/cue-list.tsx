import { outbox } from '../log/index.ts';
import { Segmented } from '../ui/index.ts';
import type { TodayLine } from '../../core/floor/index.ts';
import { letterOf } from '../shell/index.ts';
import { useState } from 'react';
import { CUE_OUTCOMES } from '../../core/ladder/index.ts';
import type { CueOutcome } from '../../core/ladder/index.ts';

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
          <Segmented
            label={`Said it: ${c.text}`}
            floor
            wide
            look="filled"
            className="mt-1"
            options={CUE_OUTCOMES}
            value={said[c.slug] ?? null}
            onPick={(o) => tell(c.slug, o)}
          />
        </li>
      ))}
    </ol>
  );
}
