import { useEffect, useState } from 'react';
import type { Build } from '../../core/body/index.ts';
import { driftNmPerCm, equalLoads } from '../../core/demand/index.ts';
import type { EqualLoad, EqualLoads } from '../../core/demand/index.ts';
import type { SettledMechanics } from '../../core/posture/index.ts';
import { mass, tidy } from '../ui/index.ts';

/** One side of the comparison: what it is called and how it is set up. */
export interface Loaded {
  name: string;
  mechanics: SettledMechanics;
}

interface Props {
  build: Build;
  a: Loaded;
  b: Loaded;
  unit: 'kg' | 'lb';
}

/** Sliders rest before a load is looked for; it is some thousand postures. */
const REST_MS = 350;

/** In one sentence: the load there that asks of a part what the load here asks. */
export function equalSentence(l: EqualLoad, from: string, b: string, unit: 'kg' | 'lb'): string {
  const nm = `${tidy(l.nm, 0)} N·m`;
  switch (l.kind) {
    case 'equal': {
      const band = l.highKg - l.lowKg >= 1 ? ` (${mass(l.lowKg, unit)} to ${mass(l.highKg, unit)})` : '';
      return `${b} with ${mass(l.kg, unit)}${band} loads the ${l.part} like ${from}: ${nm}.`;
    }
    case 'already more':
      return `${b} loads the ${l.part} more without any load: ${tidy(l.withoutNm, 0)} against ${nm}.`;
    case 'never':
      return `No load up to ${mass(l.mostKg, unit)} that can be held makes ${b} load the ${l.part} as much: ${nm}.`;
  }
}

/** The load in B that asks the same of low back, hip and knee as A's. */
export function EqualLoadPanel({ build, a, b, unit }: Props) {
  const [found, setFound] = useState<EqualLoads | null | 'cannot' | 'looking'>('looking');
  useEffect(() => {
    const timer = setTimeout(() => {
      try {
        setFound(equalLoads(build, a.mechanics, b.mechanics));
      } catch (error) {
        if (!(error instanceof RangeError)) throw error;
        setFound('cannot');
      }
    }, REST_MS);
    return () => clearTimeout(timer);
  }, [build, a.mechanics, b.mechanics]);
  return (
    <section aria-label="Equal load">
      <h3>What load in {b.name} asks the same?</h3>
      {found === 'looking' ? (
        <p className="text-soft">Working it out …</p>
      ) : found === 'cannot' ? (
        <p className="text-soft">This body cannot take {a.name}, so there is nothing to compare with.</p>
      ) : found === null ? (
        <p className="text-soft">{b.name} carries no load that the model knows.</p>
      ) : (
        <>
          <ul className="list-disc pl-5">
            {found.loads.map((l) => (
              <li key={l.part}>
                {equalSentence(
                  l,
                  found.fromKg > 0.4 ? `${mass(found.fromKg, unit)} in ${a.name}` : a.name,
                  b.name,
                  unit,
                )}
              </li>
            ))}
          </ul>
          <p className="text-sm text-soft">
            At their greatest over the range, hip and knee per leg; the band is the place of the load, 3 cm
            either way, and what statics leaves open.
            {found.fromKg > 0.4 &&
              ` Each centimetre that ${mass(found.fromKg, unit)} drifts from the body adds ${tidy(driftNmPerCm(found.fromKg), 1)} N·m at hips and low back.`}
          </p>
        </>
      )}
    </section>
  );
}
