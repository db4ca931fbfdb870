import { useMemo, useState } from 'react';
import type { EntrySummary } from '../../../../contract/library.ts';
import { NEAR_DUPLICATE, SimilarityIndex } from '../../../../core/library/index.ts';
import { Button, TextField } from '../../../ui/index.ts';

interface Props {
  entries: readonly EntrySummary[];
  label: string;
  /** Words to start from. */
  like?: string;
  leaveOut?: readonly string[];
  onPick: (slug: string) => void;
  /** Offered for words that the shared list has not; absent: only picking. */
  onWrite?: (text: string) => void;
}

/** Alike enough to be offered while the words are still being typed. */
const WORTH_OFFERING = 0.1;
const OFFERED = 5;

/** Cues of the shared list that say much the same as what is typed; a new one comes only after those. */
export function CuePicker({ entries, label, like = '', leaveOut = [], onPick, onWrite }: Props) {
  const [text, setText] = useState('');
  const index = useMemo(
    () =>
      new SimilarityIndex(
        entries.filter((e) => e.kind === 'cue' && !e.retired).map((e) => ({ id: e.slug, text: e.title })),
      ),
    [entries],
  );
  const asked = text.trim() || like;
  const alike = asked ? index.nearest(asked, WORTH_OFFERING, OFFERED + leaveOut.length) : [];
  const near = alike.filter((n) => !leaveOut.includes(n.id)).slice(0, OFFERED);
  const twin = text.trim() ? alike.find((n) => n.similarity >= NEAR_DUPLICATE) : undefined;
  return (
    <div className="grid max-w-xl gap-1 border-l-2 border-rule pl-3">
      <TextField
        label={label}
        value={text}
        placeholder="Type some of its words"
        maxLength={2000}
        onChange={(e) => setText(e.target.value)}
      />
      {near.length > 0 && (
        <ul aria-label="Cues of the shared list">
          {near.map((n) => (
            <li key={n.id} className="flex items-baseline justify-between gap-3 border-b border-rule py-1">
              <span>
                {n.text} <span className="text-sm text-soft">{Math.round(100 * n.similarity)} % alike</span>
              </span>
              <Button onClick={() => onPick(n.id)} aria-label={`Take “${n.text}”`}>
                Take it
              </Button>
            </li>
          ))}
        </ul>
      )}
      {onWrite && text.trim() !== '' && (
        <div>
          {twin && (
            <p className="text-sm font-semibold text-warn">
              {leaveOut.includes(twin.id) ? 'It stands here already' : 'The hall says this already'}: “
              {twin.text}”. One wording a cue, so take that one if it is meant.
            </p>
          )}
          <Button onClick={() => onWrite(text.trim())}>
            {twin ? 'Write it as a new cue all the same' : 'Write it as a new cue'}
          </Button>
        </div>
      )}
    </div>
  );
}
