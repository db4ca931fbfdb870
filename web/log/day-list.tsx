import { useState } from 'react';
import type { ResolvedVariation } from '../../core/library/index.ts';
import { useSigned, useUnits } from '../shell/index.ts';
import { Button, Dialog } from '../ui/index.ts';
import { correctSet, dropSet } from './keep-set.ts';
import { observedOf } from './observed.ts';
import type { ShownSet } from './merge.ts';
import { SetForm } from './set-form.tsx';
import { setSummary } from './words.ts';

interface Props {
  personId: string;
  sets: readonly ShownSet[];
  /** The sheet of a variation, where it is at hand. */
  sheetOf: (variation: string) => ResolvedVariation | undefined;
}

/** The sets of a day, each to be corrected or deleted; nothing that was not watched becomes so by itself. */
export function DayList({ personId, sets, sheetOf }: Props) {
  const { me } = useSigned();
  const units = useUnits();
  const [correcting, setCorrecting] = useState<ShownSet | null>(null);
  const faultName = (s: ShownSet) => (slug: string) =>
    sheetOf(s.variation)?.faults.find((f) => f.slug === slug)?.name ?? slug;
  // A set that the person logged alone was watched by nobody.
  const blind = sets.filter((s) => !s.watched && !s.own && !s.warmUp);
  const sheet = correcting && sheetOf(correcting.variation);
  return (
    <>
      {blind.length > 0 && (
        <Button
          floor
          className="mt-2 w-full"
          onClick={() => blind.forEach((s) => correctSet(s, personId, { watched: true, faults: [] }))}
        >
          All watched, no fault ({blind.length === 1 ? 'one set' : `${blind.length} sets`} not marked yet)
        </Button>
      )}
      <ol>
        {sets.map((s) => (
          <li key={s.id} className="border-b border-rule py-2">
            <p className="font-semibold">
              {s.ordinal}. {sheetOf(s.variation)?.source.name ?? s.variation}
            </p>
            <p>{setSummary(s, units.mass, faultName(s))}</p>
            <p className="text-sm text-soft">
              {s.unsent ? 'Not sent yet' : `Kept, by ${s.loggedBy || me.name}`}
            </p>
            <div className="mt-1 flex gap-2">
              <Button floor disabled={!sheetOf(s.variation)} onClick={() => setCorrecting(s)}>
                Correct
              </Button>
              <Button
                floor
                tone="danger"
                onClick={() => {
                  if (confirm(`Delete set ${s.ordinal}?`)) dropSet(s, personId);
                }}
              >
                Delete
              </Button>
            </div>
          </li>
        ))}
      </ol>
      {correcting && sheet && (
        <Dialog title={`Correct set ${correcting.ordinal}`} open wide onClose={() => setCorrecting(null)}>
          <SetForm
            variation={sheet}
            start={observedOf(correcting)}
            action="Correct it"
            onCancel={() => setCorrecting(null)}
            onLog={(observed) => {
              correctSet(correcting, personId, observed);
              setCorrecting(null);
            }}
          />
        </Dialog>
      )}
    </>
  );
}
