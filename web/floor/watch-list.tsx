import type { Watch } from '../../core/floor/index.ts';
import { AlertTriangle, Ban, Check, Repeat, Ruler, Scale, X } from 'lucide-react';
import type { ComponentType } from 'react';
import { Said } from '../shell/index.ts';

const MARKS: Record<Watch['kind'], { icon: ComponentType<{ size?: number }>; word: string; warn: boolean }> =
  {
    restriction: { icon: Ban, word: 'Restriction', warn: true },
    pain: { icon: AlertTriangle, word: 'Pain', warn: true },
    fault: { icon: Repeat, word: 'Again', warn: false },
    sides: { icon: Scale, word: 'Sides', warn: false },
    range: { icon: Ruler, word: 'Range', warn: false },
    'cue works': { icon: Check, word: 'Cue that works', warn: false },
    'cue failed': { icon: X, word: 'Cue that failed', warn: false },
  };

/** What to keep an eye on, each with its kind in a word. */
export function WatchList({ watch }: { watch: readonly Watch[] }) {
  if (watch.length === 0) return null;
  return (
    <ul aria-label="To watch">
      {watch.map((w) => {
        const { icon: Icon, word, warn } = MARKS[w.kind];
        return (
          <li key={`${w.kind} ${w.text}`} className={`flex items-start gap-2 ${warn ? 'text-warn' : ''}`}>
            <span className="mt-1 shrink-0" aria-hidden="true">
              <Icon size={16} />
            </span>
            <span>
              <span className="font-semibold">{word}:</span> <Said of={w.text} />
            </span>
          </li>
        );
      })}
    </ul>
  );
}
