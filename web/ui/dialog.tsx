import { Dialog as Radix } from 'radix-ui';
import { useRef } from 'react';
import type { ReactNode } from 'react';

interface Props {
  title: string;
  open: boolean;
  onClose: () => void;
  children: ReactNode;
  /** As wide as a form, or as the page. */
  wide?: boolean | 'full';
}

/** A sheet over the page; Escape and a click beside it close it, and the focus goes back to where it was. */
export function Dialog({ title, open, onClose, children, wide = false }: Props) {
  const before = useRef<Element | null>(null);
  return (
    <Radix.Root open={open} onOpenChange={(next) => !next && onClose()}>
      <Radix.Portal>
        <Radix.Overlay className="fixed inset-0 z-40 bg-black/45" />
        <Radix.Content
          aria-describedby={undefined}
          onOpenAutoFocus={() => {
            before.current = document.activeElement;
          }}
          onCloseAutoFocus={(e) => {
            if (!(before.current instanceof HTMLElement) || !before.current.isConnected) return;
            e.preventDefault();
            before.current.focus();
          }}
          className={`fixed top-[8vh] left-1/2 z-50 max-h-[84vh] w-[calc(100vw-2rem)] ${wide === 'full' ? 'max-w-6xl' : wide ? 'max-w-3xl' : 'max-w-lg'} -translate-x-1/2 overflow-y-auto border border-ink bg-paper p-5 text-ink`}
        >
          <Radix.Title className="mb-3 text-xl font-semibold">{title}</Radix.Title>
          {children}
        </Radix.Content>
      </Radix.Portal>
    </Radix.Root>
  );
}
