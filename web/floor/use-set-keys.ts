import { useRef } from 'react';
import type { ResolvedVariation } from '../../core/library/index.ts';
import { FAULT_LETTERS } from '../../core/sheets/index.ts';
import { useKeys } from '../ui/index.ts';

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
  // First: a letter counts a fault here and is no jump to another room.
  useKeys(
    {
      Enter: (e) => (e.target instanceof HTMLButtonElement ? false : onDone()),
      '*': (e) => {
        if (/^\d$/.test(e.key)) {
          const { text, at } = typed.current;
          typed.current = {
            text: e.timeStamp - at < ONE_NUMBER_MS ? `${text}${e.key}`.slice(-3) : e.key,
            at: e.timeStamp,
          };
          return onAmount(Number(typed.current.text));
        }
        const fault = e.key.length === 1 ? variation.faults[FAULT_LETTERS.indexOf(e.key)] : undefined;
        return fault ? onFault(fault.slug) : false;
      },
    },
    { first: true },
  );
}
