import { Dialog as Radix } from 'radix-ui';
import type { ReactNode } from 'react';

interface Props {
  title: string;
  open: boolean;
  onClose: () => void;
  children: ReactNode;
  /** As wide as a form, or as the page. */
  wide?: boolean | 'full';
}

/** A sheet over the page; Escape and a click beside it close it. */
export function Dialog({ title, open, onClose, children, wide = false }: Props) {
  return (
    <Radix.Root open={open} onOpenChange={(next) => !next && onClose()}>
      <Radix.Portal>
        <Radix.Overlay className="fixed inset-0 z-40 bg-black/45" />
        <Radix.Content
          aria-describedby={undefined}
          className={`fixed top-[8vh] left-1/2 z-50 max-h-[84vh] w-[calc(100vw-2rem)] ${wide === 'full' ? 'max-w-6xl' : wide ? 'max-w-3xl' : 'max-w-lg'} -translate-x-1/2 overflow-y-auto border border-ink bg-paper p-5 text-ink`}
        >
          <Radix.Title className="mb-3 text-xl font-semibold">{title}</Radix.Title>
          {children}
        </Radix.Content>
      </Radix.Portal>
    </Radix.Root>
  );
}
