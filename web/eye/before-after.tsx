import { useState } from 'react';
import { angleOfSign, anglesOfPicture, changeOf } from '../../core/track/index.ts';
import type { PictureChange } from '../../core/track/index.ts';
import type { CameraSign } from '../../core/terms/index.ts';
import { Button, Segmented, tidy } from '../ui/index.ts';
import { useEye } from '../workers/index.ts';
import { PicturePoints } from './picture-points.tsx';
import type { PlacedAt } from './picture-points.tsx';

const SHOTS = ['before', 'with the check'] as const;

const CHANGE_WORDS: Record<PictureChange['told'], string> = {
  better: 'better',
  worse: 'worse',
  'too close': 'too close to call',
};

/** A check that is a measure: one picture before and one with it, both at the same place of the movement. */
export function BeforeAfter({
  sign,
  lying,
  onTake,
}: {
  sign: CameraSign;
  lying: boolean;
  onTake: (change: PictureChange) => void;
}) {
  const eye = useEye();
  const [shot, setShot] = useState<(typeof SHOTS)[number]>('before');
  const [before, setBefore] = useState<PlacedAt>({});
  const [after, setAfter] = useState<PlacedAt>({});
  const change = changeOf(sign, anglesOfPicture(before), anglesOfPicture(after));
  return (
    <div>
      <p>
        Two pictures from exactly the side, both at the bottom of the movement. Nothing of them is kept or
        leaves this device.
      </p>
      <Segmented label="Picture" floor options={SHOTS} value={shot} onPick={setShot}>
        {(s) => s}
      </Segmented>
      <div className="mt-2" hidden={shot !== 'before'}>
        <PicturePoints eye={eye} lying={lying} at={before} onAt={setBefore} />
      </div>
      <div className="mt-2" hidden={shot === 'before'}>
        <PicturePoints eye={eye} lying={lying} at={after} onAt={setAfter} />
      </div>
      <p className="mt-3 text-lg" role="status">
        {change ? (
          <>
            {change.angle}: {tidy(change.before, 0)}° before, {tidy(change.after, 0)}° with the check (±{' '}
            {tidy(change.band, 1)}): <b>{CHANGE_WORDS[change.told]}</b>
          </>
        ) : (
          `Place the joints of “${angleOfSign(sign) ?? ''}” on both pictures.`
        )}
      </p>
      <Button floor tone="main" className="mt-2" disabled={!change} onClick={() => change && onTake(change)}>
        Take it over
      </Button>
    </div>
  );
}
