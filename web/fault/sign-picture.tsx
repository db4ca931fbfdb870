import { useMemo } from 'react';
import { REFERENCE_BUILD } from '../../core/body/index.ts';
import { faultFigure } from '../../core/fault/index.ts';
import type { FaultShows } from '../../core/library/index.ts';
import type { Pattern } from '../../core/terms/index.ts';
import type { SettledMechanics } from '../../core/posture/index.ts';
import { figureAt } from '../../core/posture/index.ts';
import { Drawing, frameOf, solved } from '../figure/index.ts';

/** A fault with nothing else changed is one of range: it is compared with the working position. */
const WORKING = 1;
const changes = (s: FaultShows) =>
  Object.entries(s).some(([k, v]) => k !== 'view' && k !== 'at' && typeof v === 'number' && v !== 0);

interface Props {
  mechanics: SettledMechanics;
  pattern: Pattern;
  shows: FaultShows | null;
  /** Height in pixels. */
  size?: number;
}

/** The fault as it looks on this variation, with how it should look laid thinly behind it. */
export function SignPicture({ mechanics, pattern, shows, size = 112 }: Props) {
  const pictures = useMemo(() => {
    if (!shows) return null;
    const { range, problem } = solved(REFERENCE_BUILD, mechanics);
    if (problem) return null;
    const seen = faultFigure(REFERENCE_BUILD, mechanics, range, shows);
    if (!seen) return null;
    const at = changes(shows) ? shows.at : WORKING;
    const sound =
      shows.view === 'front'
        ? faultFigure(REFERENCE_BUILD, mechanics, range, { view: 'front', at })
        : figureAt(REFERENCE_BUILD, mechanics, range, at);
    return sound && { seen, sound, frame: frameOf([seen, sound], 0.02) };
  }, [mechanics, shows]);
  if (!pictures) return null;
  const { seen, sound, frame } = pictures;
  const style = { width: (size * frame.width) / frame.height, height: size, maxWidth: '100%' };
  return (
    <span className="relative mx-auto block" style={style} aria-hidden="true">
      <Drawing figure={sound} frame={frame} className="fig-ghost absolute inset-0 h-full w-full" />
      <Drawing figure={seen} frame={frame} className={`fig-${pattern} absolute inset-0 h-full w-full`} />
    </span>
  );
}
