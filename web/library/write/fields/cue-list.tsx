import { Plus } from 'lucide-react';
import { useState } from 'react';
import { Button } from '../../../ui/index.ts';
import type { EditContext } from './context.ts';
import { CuePicker } from './cue-picker.tsx';
import { OrderedList } from './edit-list.tsx';

interface Props {
  slugs: string[];
  context: EditContext;
  onChange: (slugs: string[]) => void;
}

/** The cues of a sheet in order of rank, picked from the shared list or written anew. */
export function CueList({ slugs, context, onChange }: Props) {
  const [picking, setPicking] = useState(false);
  const add = (slug: string) => {
    onChange([...slugs, slug]);
    setPicking(false);
  };
  return (
    <div>
      <OrderedList
        items={slugs}
        what="cue"
        onChange={onChange}
        render={(slug, i) => {
          const e = context.entries.find((x) => x.kind === 'cue' && x.slug === slug);
          return (
            <p className={`min-h-9 py-1 ${i < 3 ? 'text-lg font-semibold' : ''}`} dir="auto">
              {e?.title ?? `${slug} (not in the library)`}
              {e?.revision === 0 && (
                <span className="text-sm font-normal text-tape"> new, saved along with this</span>
              )}
            </p>
          );
        }}
        errorAt={(i) => context.errors.get(`cues[${i}]`)}
      />
      {picking ? (
        <>
          <CuePicker
            entries={context.entries}
            label="Another cue"
            leaveOut={slugs}
            onPick={add}
            onWrite={context.onWriteCue && ((text) => add(context.onWriteCue!(text)))}
          />
          <Button tone="quiet" onClick={() => setPicking(false)}>
            No more cues
          </Button>
        </>
      ) : (
        <Button onClick={() => setPicking(true)}>
          <Plus aria-hidden="true" size={16} /> cue
        </Button>
      )}
    </div>
  );
}
