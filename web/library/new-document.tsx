import { useState } from 'react';
import { useNavigate } from 'react-router';
import { KIND_WORDS } from '../../core/library/index.ts';
import type { Kind } from '../../core/library/index.ts';
import { Button, Dialog, TextField } from '../ui/index.ts';

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

/** Asks for a name, then opens the editor; with `from`, on a copy of that document. */
export function NewDocument({ kind, taken, from }: { kind: Kind; taken: string[]; from?: string }) {
  const [open, setOpen] = useState(false);
  const [name, setName] = useState('');
  const navigate = useNavigate();
  const slug = slugFrom(name);
  const problem =
    name &&
    (!slug ? 'Use some letters or digits.' : taken.includes(slug) ? 'There is one by that name.' : '');
  return (
    <>
      {from ? (
        <button type="button" className="underline underline-offset-3" onClick={() => setOpen(true)}>
          Use as a start
        </button>
      ) : (
        <Button onClick={() => setOpen(true)}>New {KIND_WORDS[kind]}</Button>
      )}
      <Dialog
        title={from ? `A new ${KIND_WORDS[kind]} that starts as this one` : `New ${KIND_WORDS[kind]}`}
        open={open}
        onClose={() => setOpen(false)}
      >
        <form
          className="grid gap-3"
          onSubmit={(e) => {
            e.preventDefault();
            if (slug && !problem)
              void navigate(
                `/library/${kind}/${slug}/edit?${new URLSearchParams({ name, ...(from ? { from } : {}) }).toString()}`,
              );
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
          <Button type="submit" tone="main">
            Write it
          </Button>
        </form>
      </Dialog>
    </>
  );
}
