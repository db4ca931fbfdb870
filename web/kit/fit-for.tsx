import type { SettledMechanics } from '../../core/posture/index.ts';
import type { Pattern } from '../../core/terms/index.ts';
import { PersonSelect, useAddress, useAsk, usePeople, useSigned, useBuilds } from '../shell/index.ts';
import { Guard, Loaded } from '../ui/index.ts';
import { FitCardView, SettingsLine } from './fit-card.tsx';
import { FitFigure } from './fit-figure.tsx';

/** The fit card of a variation for somebody, whom one chooses; the choice stays in the address. */
export function FitFor({
  variation,
  mechanics,
  pattern,
}: {
  variation: string;
  mechanics: SettledMechanics;
  pattern: Pattern;
}) {
  const { me } = useSigned();
  const { people, nameOf } = usePeople();
  const builds = useBuilds();
  const { params, set } = useAddress();
  const id = params.get('for');
  const fit = useAsk('fit', id ? { person: id, slug: variation } : null);
  if (me.role === 'viewer') return null;
  const body = builds.find((b) => b.personId === id)?.build;
  return (
    <div className="mt-2">
      <PersonSelect
        label="Set to"
        people={people}
        value={id}
        onPick={(to) => set({ for: to })}
        none="choose somebody"
        className="max-w-72"
      />
      {id && (
        <Loaded query={fit} what="how it is set">
          {(found) => (
            <div className="mt-2">
              <SettingsLine fit={found} value={null} />
              {found.card && body && (
                <Guard what="The drawing">
                  <FitFigure
                    build={body}
                    mechanics={mechanics}
                    pattern={pattern}
                    rows={found.card.rows}
                    soleM={found.card.soleM}
                  />
                </Guard>
              )}
              <FitCardView fit={found} name={nameOf(id)} />
            </div>
          )}
        </Loaded>
      )}
    </div>
  );
}
