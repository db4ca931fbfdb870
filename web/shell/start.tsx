import { createContext, use } from 'react';
import type { Me } from '../../contract/access.ts';
import type { Start } from '../../contract/hall.ts';
import { useKept, written } from '../ui/index.ts';
import { preferences } from './preferences.ts';

export interface Signed extends Start {
  hall: NonNullable<Start['hall']>;
  me: Me;
}

export const SignedIn = createContext<Signed | null>(null);

/** Who is signed in and where; only below the signed-in shell. */
export function useSigned(): Signed {
  const signed = use(SignedIn);
  if (!signed) throw new Error('useSigned is used outside the signed-in shell.');
  return signed;
}

/** How a computed sentence is written for whoever reads this screen. */
export function useWritten(): (sentence: string) => string {
  const { hall } = useSigned();
  const units = useUnits();
  return (sentence) => written(sentence, hall.today, units.mass);
}

/** A computed sentence as it is written for whoever reads this screen. */
export function Said({ of }: { of: string | null | undefined }) {
  const write = useWritten();
  return of ? write(of) : null;
}

/** Units of this screen, else of the hall. */
export function useUnits() {
  const { hall } = useSigned();
  const mass = useKept(preferences.massUnit) ?? hall.massUnit;
  const length = useKept(preferences.lengthUnit) ?? hall.lengthUnit;
  return { mass, length };
}
