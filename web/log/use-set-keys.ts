import { useEffect, useRef } from 'react';
import type { ResolvedVariation } from '../../core/library/index.ts';
import { FAULT_LETTERS } from '../../core/sheets/index.ts';
import { typing } from '../ui/index.ts';

/** Digits typed within this time belong to one number. */
const ONE_NUMBER_MS = 1200;

interface Keys {
  variation: ResolvedVariation;
  onAmount: (amount: number) => void;
  onFault: (fault: string) => void;
  /** Enter: logged as watched. */
  onDone: () => void;
}

/** At a desk: number keys give the amount, letters a fault, Enter logs it as watched. */
export function useSetKeys({ variation, onAmount, onFault, onDone }: Keys): void {
  const typed = useRef({ text: '', at: 0 });
  useEffect(() => {
    const onKey = (e: KeyboardEvent) => {
      if (typing(e.target) || e.ctrlKey || e.metaKey || e.altKey) return;
      // While something lies over the page, its own keys count.
      if (document.querySelector('[role="dialog"]')) return;
      if (/^\d$/.test(e.key)) {
        const { text, at } = typed.current;
        typed.current = {
          text: e.timeStamp - at < ONE_NUMBER_MS ? `${text}${e.key}`.slice(-3) : e.key,
          at: e.timeStamp,
        };
        onAmount(Number(typed.current.text));
      } else if (e.key === 'Enter' && !(e.target instanceof HTMLButtonElement)) {
        e.preventDefault();
        onDone();
      } else {
        const fault = variation.faults[FAULT_LETTERS.indexOf(e.key)];
        if (e.key.length === 1 && fault) {
          // A letter counts a fault here and is no jump to another room.
          e.stopPropagation();
          onFault(fault.slug);
        }
      }
    };
    addEventListener('keydown', onKey, true);
    return () => removeEventListener('keydown', onKey, true);
  });
}
