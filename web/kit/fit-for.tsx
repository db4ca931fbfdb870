import { PersonSelect, useAddress, useAsk, usePeople, useSigned } from '../shell/index.ts';
import { Loaded } from '../ui/index.ts';
import { FitCardView, SettingsLine } from './fit-card.tsx';

/** The fit card of a variation for somebody, whom one chooses; the choice stays in the address. */
export function FitFor({ variation }: { variation: string }) {
  const { me } = useSigned();
  const { people, nameOf } = usePeople();
  const { params, set } = useAddress();
  const id = params.get('for');
  const fit = useAsk('fit', id ? { person: id, slug: variation } : null);
  if (me.role === 'viewer') return null;
  return (
    <div>
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
              <FitCardView fit={found} name={nameOf(id)} />
            </div>
          )}
        </Loaded>
      )}
    </div>
  );
}
