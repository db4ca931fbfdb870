import type { Region, Side } from '../../core/terms/index.ts';
import { BodyMap } from './body-map.tsx';

/** Where it hurts: one tap on the body; a second one takes it back. Not told, it counts as in the movement. */
export function PainPlace({
  region,
  side,
  onPick,
}: {
  region: Region | null;
  side: Side | null;
  onPick: (at: { painRegion: Region | null; painSide: Side | null }) => void;
}) {
  return (
    <fieldset>
      <legend className="label">
        Where does it hurt? {region ? `${region}${side ? `, ${side}` : ''}.` : 'Tap the place.'}
      </legend>
      <BodyMap
        kind="pain"
        felt={region ? [{ region, kind: 'pain', side }] : []}
        wanted={[]}
        onTap={(at) =>
          onPick(
            at.region === region && at.side === side
              ? { painRegion: null, painSide: null }
              : { painRegion: at.region, painSide: at.side },
          )
        }
      />
    </fieldset>
  );
}
