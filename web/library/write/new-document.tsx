import { useMemo, useState } from 'react';
import { Link, useNavigate } from 'react-router';
import type { EntrySummary } from '../../../contract/library.ts';
import { KIND_WORDS, NEAR_DUPLICATE, SimilarityIndex } from '../../../core/library/index.ts';
import type { Kind } from '../../../core/library/index.ts';
import { Button, Dialog, TextField } from '../../ui/index.ts';

/** A slug made from a name: small letters, digits, hyphens. */
export function slugFrom(name: string): string {
  return name
    .normalize('NFKD')
    .replace(/\p{M}/gu, '')
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .slice(0, 60)
    .replace(/^-+|-+$/g, '');
}

/** What is wrong with a name for a new document; nothing: ''. */
export function nameProblem(kind: Kind, name: string, entries: readonly EntrySummary[]): string {
  const slug = slugFrom(name);
  if (!name) return '';
  if (!slug) return 'Use some letters or digits.';
  return entries.some((e) => e.kind === kind && e.slug === slug) ? 'There is one by that name.' : '';
}

/** Asks for a name, then opens the editor. */
export function NewDocument({ kind, entries }: { kind: Kind; entries: readonly EntrySummary[] }) {
  const [open, setOpen] = useState(false);
  const [name, setName] = useState('');
  const navigate = useNavigate();
  const slug = slugFrom(name);
  const problem = nameProblem(kind, name, entries);
  return (
    <>
      <Button onClick={() => setOpen(true)}>New {KIND_WORDS[kind]}</Button>
      <Dialog title={`New ${KIND_WORDS[kind]}`} open={open} onClose={() => setOpen(false)}>
        <form
          className="grid gap-3"
          onSubmit={(e) => {
            e.preventDefault();
            if (slug && !problem)
              void navigate(`/library/${kind}/${slug}/edit?${new URLSearchParams({ name }).toString()}`);
          }}
        >
          <TextField
            label="Name"
            required
            value={name}
            onChange={(e) => setName(e.target.value)}
            error={problem || undefined}
            hint={slug ? `Kept under "${slug}", which never changes.` : undefined}
          />
          {kind === 'cue' && open && <SaidAlready text={name} entries={entries} />}
          <Button type="submit" tone="main">
            Write it
          </Button>
        </form>
      </Dialog>
    </>
  );
}

/** The cues that say much the same as what is being named: one wording a cue. */
function SaidAlready({ text, entries }: { text: string; entries: readonly EntrySummary[] }) {
  const index = useMemo(
    () =>
      new SimilarityIndex(
        entries.filter((e) => e.kind === 'cue' && !e.retired).map((e) => ({ id: e.slug, text: e.title })),
      ),
    [entries],
  );
  const twins = index.nearest(text, NEAR_DUPLICATE, 3);
  if (twins.length === 0) return null;
  return (
    <div role="status" className="text-sm">
      <p className="font-semibold text-warn">The hall says this already. One wording a cue:</p>
      <ul>
        {twins.map((t) => (
          <li key={t.id}>
            <Link to={`/library/cue/${t.id}`}>{t.text}</Link>{' '}
            <span className="text-soft">{Math.round(100 * t.similarity)} % alike</span>
          </li>
        ))}
      </ul>
    </div>
  );
}
