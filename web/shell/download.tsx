import { useState } from 'react';
import type { ReactNode } from 'react';
import type { Asked, Of } from '../../contract/endpoints.ts';
import { Notice } from '../ui/index.ts';
import { fetchFile } from './api.ts';

const LOOK =
  'inline-flex min-h-9 items-center border border-soft bg-paper px-3 hover:border-ink disabled:opacity-50';

/** Saves a file that the server makes; where it wants the password again, that is asked for first. */
export function Download<K extends Asked>({
  name,
  of,
  children,
}: {
  name: K;
  of: Of<K>;
  children: ReactNode;
}) {
  const [busy, setBusy] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const save = async () => {
    setBusy(true);
    setProblem(null);
    try {
      const { blob, fileName } = await fetchFile(name, of);
      const link = document.createElement('a');
      link.href = URL.createObjectURL(blob);
      link.download = fileName;
      link.click();
      // The browser has it by then.
      setTimeout(() => URL.revokeObjectURL(link.href), 60_000);
    } catch (error) {
      setProblem(error instanceof Error ? error.message : 'The file could not be made.');
    } finally {
      setBusy(false);
    }
  };
  return (
    <>
      <button type="button" className={LOOK} disabled={busy} onClick={() => void save()}>
        {children}
      </button>
      {problem && <Notice tone="warn">{problem}</Notice>}
    </>
  );
}
