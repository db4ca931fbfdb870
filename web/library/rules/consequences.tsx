import { useMemo } from 'react';
import { consequencesOf } from '../../../core/demand/index.ts';
import type { Consequence } from '../../../core/demand/index.ts';
import { settledAlone, figureAt, isComputed } from '../../../core/posture/index.ts';
import type { HouseQuestion } from '../../../core/library/index.ts';
import type { SettledMechanics } from '../../../core/posture/index.ts';
import { REFERENCE_BUILD } from '../../../core/body/index.ts';
import { helpSentences, MomentCaution, verdictSentence, worstLeg } from '../../body/index.ts';
import { Drawing, frameOf, PATTERN_OF_POSTURE, solved } from '../../figure/index.ts';
import { useUnits } from '../../shell/index.ts';
import { length, tidy } from '../../ui/index.ts';

/** What each answer to a house question asks of a short-, a middle- and a long-thighed build, where it can be computed. */
export function Consequences({ question }: { question: HouseQuestion }) {
  const answers = useMemo(
    () =>
      question.answers.flatMap((a) => {
        if (!a.example) return [];
        const mechanics = settledAlone(a.example);
        if (!isComputed(mechanics)) return [];
        return [{ id: a.id, name: a.name, mechanics, rows: consequencesOf(mechanics) }];
      }),
    [question],
  );
  if (answers.length === 0) return null;
  const drawings = answers.flatMap(({ mechanics }) => {
    const { range, problem } = solved(REFERENCE_BUILD, mechanics);
    return problem ? [] : [figureAt(REFERENCE_BUILD, mechanics, range, 1)];
  });
  const frame = frameOf(drawings);
  const lunge = answers.some((a) => a.mechanics.type === 'lunge');
  const bridge = answers.some((a) => a.mechanics.type === 'bridge');
  return (
    <section className="mt-5" aria-label="What the answers ask">
      <h2>What the answers ask, computed</h2>
      <p className="text-soft">
        One stature of 1.75 m and 75 kg, thighs 6 % shorter, usual and 6 % longer; working position, moments
        per leg.
      </p>
      <div className="mt-2 grid gap-6 xl:grid-cols-2">
        {answers.map((a) => (
          <div key={a.id} className="min-w-0 border-t-2 border-ink pt-1">
            <h3>
              {a.name}
              {question.hall.answer === a.id && (
                <span className="font-normal text-tape"> (the hall’s answer)</span>
              )}
            </h3>
            <div className="flex flex-wrap items-end gap-4">
              <AnswerFigure mechanics={a.mechanics} frame={frame} />
              <Table rows={a.rows} lunge={lunge} bridge={bridge} />
            </div>
            <Notes rows={a.rows} />
          </div>
        ))}
      </div>
      <MomentCaution />
    </section>
  );
}

function AnswerFigure({
  mechanics,
  frame,
}: {
  mechanics: SettledMechanics;
  frame: ReturnType<typeof frameOf>;
}) {
  const { range, problem } = solved(REFERENCE_BUILD, mechanics);
  if (problem) return null;
  return (
    <Drawing
      figure={figureAt(REFERENCE_BUILD, mechanics, range, 1)}
      frame={frame}
      detail="full"
      className={`fig-${PATTERN_OF_POSTURE[mechanics.type]}`}
      style={{ width: `${frame.width * 0.75}px` }}
    />
  );
}

function Table({ rows, lunge, bridge }: { rows: Consequence[]; lunge: boolean; bridge: boolean }) {
  const units = useUnits();
  const nm = (v: number | undefined | null) =>
    v === undefined || v === null ? '–' : `${tidy(v, 0).replace('-', '−')} N·m`;
  const cell = 'py-0.5 pl-4 text-right whitespace-nowrap';
  return (
    <table className="text-sm">
      <thead>
        <tr className="border-b border-ink">
          <td />
          {rows.map((r) => (
            <th key={r.build} className={cell}>
              {r.build}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {(
          [
            [bridge ? 'Trunk above level' : 'Lean', (r) => `${tidy(r.leanDeg, 0)}°`],
            ...(bridge
              ? []
              : [
                  [
                    'Knee past toe',
                    (r: Consequence) => length(r.kneePastToeM, units.length).replace('-', '−'),
                  ] as const,
                ]),
            ...(lunge
              ? [
                  [
                    'Weight in front',
                    (r: Consequence) => (r.frontShare === null ? '–' : `${tidy(100 * r.frontShare, 0)} %`),
                  ] as const,
                ]
              : []),
            ...(lunge
              ? (['front leg', 'rear leg'] as const).flatMap((leg) => {
                  const of = (r: Consequence) => r.legs.find((l) => l.leg === leg);
                  const name = leg === 'front leg' ? 'Front' : 'Rear';
                  return [
                    [`${name} hip`, (r: Consequence) => nm(of(r)?.hipNm)] as const,
                    [`${name} knee`, (r: Consequence) => nm(of(r)?.kneeNm)] as const,
                  ];
                })
              : [
                  ['Hip', (r: Consequence) => nm(worstLeg(r.legs, 'hipNm')?.nm)] as const,
                  ['Knee', (r: Consequence) => nm(worstLeg(r.legs, 'kneeNm')?.nm)] as const,
                ]),
            ['Low back', (r) => nm(r.l5Nm)],
          ] as [string, (r: Consequence) => string][]
        ).map(([name, show]) => (
          <tr key={name} className="border-b border-rule">
            <th scope="row" className="font-read font-normal">
              {name}
            </th>
            {rows.map((r) => (
              <td key={r.build} className={cell}>
                {r.posture ? show(r) : '–'}
              </td>
            ))}
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** What does not hold, and what would make it: for the middle build, since the others differ in degree only. */
function Notes({ rows }: { rows: Consequence[] }) {
  const units = useUnits();
  const falling = rows.filter((r) => !r.holds);
  const middle = rows[1]!;
  if (falling.length === 0) {
    return middle.leanForShareDeg !== null && middle.frontShare !== null ? (
      <p className="text-sm text-soft">
        Without shifting the hips, a lean of {tidy(middle.leanForShareDeg, 0)}° alone would give this share.
      </p>
    ) : null;
  }
  const first = middle.holds ? falling[0]! : middle;
  return (
    <div className="mt-1 text-sm">
      <p className="font-semibold text-warn">
        Unaided not possible for: {falling.map((r) => r.build).join(', ')}.{' '}
        {first.posture && verdictSentence(first.posture.verdict, first.posture.shortM)}
      </p>
      {first.helps.length > 0 && (
        <>
          <p>What makes it possible ({first.build}):</p>
          <ul className="list-disc pl-5">
            {helpSentences(first.helps, units).map((t) => (
              <li key={t}>{t}</li>
            ))}
          </ul>
        </>
      )}
    </div>
  );
}
