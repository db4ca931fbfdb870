import { REFERENCE_BUILD } from '../../core/body/index.ts';
import type { Pattern } from '../../core/terms/index.ts';
import type { SettledMechanics } from '../../core/posture/index.ts';
import { describeRange, figureAt } from '../../core/posture/index.ts';
import { Drawing, frameOf, solved } from '../figure/index.ts';

interface Props {
  mechanics: SettledMechanics;
  pattern: Pattern;
  /** Pixels for a centimetre of body. */
  scale: number;
  /** The working position alone. */
  alone?: boolean;
  /** Words under each; none where type would be too small to print. */
  captions?: boolean;
}

/** Start and working position in black for paper, to one scale, for the reference build. */
export function PrintedFigures({ mechanics: m, pattern, scale, alone = false, captions = false }: Props) {
  const { range, problem } = solved(REFERENCE_BUILD, m);
  if (problem) return null;
  const [start, working] = [0, 1].map((at) => figureAt(REFERENCE_BUILD, m, range, at));
  // Alone, a figure fills its own frame; a pair shares one, so that the way between is to scale.
  const frame = frameOf(alone ? [working!] : [start!, working!]);
  const words = range ? [range.startWord, range.workingWord] : ['start', 'working position'];
  return (
    <div className="flex items-end gap-4">
      {(alone ? [working!] : [start!, working!]).map((figure, i) => (
        <figure key={i}>
          <Drawing
            figure={figure}
            frame={frame}
            detail="plain"
            className={`fig-${pattern} fig-print`}
            style={{ width: `${frame.width * scale}px`, maxWidth: '100%' }}
            title={i === 0 ? describeRange(m, range) : undefined}
          />
          {captions && <figcaption className="text-[9pt]">{words[i]}</figcaption>}
        </figure>
      ))}
    </div>
  );
}
