import { useState } from 'react';
import { REFERENCE_BUILD } from '../../../../core/body/index.ts';
import { RULED_MEMBERS, ruledAgain, settledUnder } from '../../../../core/posture/index.ts';
import type { Mechanics, SettledMechanics } from '../../../../core/posture/index.ts';
import type { ByAnswer, RuledNumber } from '../../../../core/terms/index.ts';
import { ControlGrid, controlsOf, lookControlsOf, STARTS } from '../../../body/index.ts';
import { Movement, PATTERN_OF_POSTURE } from '../../../figure/index.ts';
import { useUnits } from '../../../shell/index.ts';
import { TextField } from '../../../ui/index.ts';
import { BLANK_MECHANICS } from '../../../../core/library/index.ts';
import { useQuestion } from '../../rules/use-question.ts';
import type { EditContext } from './context.ts';
import { EditRuled } from './edit-ruled.tsx';

interface Props {
  value: Mechanics;
  path: string;
  context: EditContext;
  onChange: (value: Mechanics) => void;
}

/** How the body stands in it, set by the sliders of the body room with the figure that follows beside them. */
export function MechanicsEditor({ value, path, context, onChange }: Props) {
  const units = useUnits();
  /** The answers that figure and sliders are shown for. */
  const [shown, setShown] = useState<Record<string, string>>({});
  const settled = settledUnder(value, shown);
  const set = (next: SettledMechanics) => onChange(ruledAgain(value, shown, next));
  const questions = [...new Set(ruledNumbers(value).map((n) => n.question))];
  return (
    <div className="grid gap-3 border-l-2 border-rule pl-3">
      <div className="flex flex-wrap items-end gap-3">
        <label className="block">
          <span className="label mb-1 block">Kind of posture</span>
          <select
            className="field max-w-64"
            value={value.type}
            onChange={(e) => onChange(startOf(e.target.value))}
          >
            {Object.keys(BLANK_MECHANICS).map((type) => (
              <option key={type} value={type}>
                {KIND_OF_POSTURE[type as Mechanics['type']]}
              </option>
            ))}
          </select>
        </label>
        {questions.map((q) => (
          <ShownFor
            key={q}
            question={q}
            answer={shown[q] ?? ''}
            onChange={(answer) => {
              const { [q]: _old, ...rest } = shown;
              setShown(answer ? { ...rest, [q]: answer } : rest);
            }}
          />
        ))}
      </div>
      <Movement
        mechanics={settled}
        pattern={PATTERN_OF_POSTURE[value.type]}
        build={REFERENCE_BUILD}
        scale={0.9}
      />
      {value.type === 'drawn' && (
        <TextField
          label="Why it is only drawn"
          value={value.reason}
          error={context.errors.get(`${path}.reason`)}
          onChange={(e) => onChange({ ...value, reason: e.target.value })}
        />
      )}
      <ControlGrid
        controls={[...controlsOf(settled, REFERENCE_BUILD, units), ...lookControlsOf(settled)]}
        onSet={set}
      />
      <Ruled value={value} context={context} onChange={onChange} />
    </div>
  );
}

const KIND_OF_POSTURE: Record<Mechanics['type'], string> = {
  squat: 'squat or step-up',
  hinge: 'hinge',
  lift: 'lift from the floor',
  bridge: 'bridge or thrust',
  lunge: 'lunge or split stance',
  extension: 'extension on a bench',
  drawn: 'only drawn, by its angles',
};

const startOf = (type: string): Mechanics =>
  STARTS.find((s) => s.mechanics.type === type)?.mechanics ?? BLANK_MECHANICS[type as Mechanics['type']];

const ruledNumbers = (m: Mechanics): ByAnswer[] =>
  Object.values(m as unknown as Record<string, unknown>).filter(
    (v): v is ByAnswer => typeof v === 'object' && v !== null && 'byAnswer' in v,
  );

/** Which answer to a house question the figure and the sliders are shown for. */
function ShownFor({
  question,
  answer,
  onChange,
}: {
  question: string;
  answer: string;
  onChange: (answer: string) => void;
}) {
  const found = useQuestion(question);
  return (
    <label className="block">
      <span className="label mb-1 block">Set for: {found?.question ?? question}</span>
      <select className="field max-w-72" value={answer} onChange={(e) => onChange(e.target.value)}>
        <option value="">any other answer</option>
        {found?.answers.map((a) => (
          <option key={a.id} value={a.id}>
            {a.name}
          </option>
        ))}
      </select>
    </label>
  );
}

/** The numbers that may follow a house answer; folded, since few do. */
function Ruled({
  value,
  context,
  onChange,
}: {
  value: Mechanics;
  context: EditContext;
  onChange: (value: Mechanics) => void;
}) {
  const members = Object.entries(RULED_MEMBERS[value.type]);
  if (members.length === 0) return null;
  const numbers = value as unknown as Record<string, RuledNumber | undefined>;
  return (
    <details>
      <summary className="min-h-9 content-center text-soft">Let a number follow a house rule</summary>
      <div className="grid gap-2 pl-4">
        {members.map(([key, label]) => (
          <fieldset key={key}>
            <legend className="label">{label}</legend>
            <EditRuled
              value={numbers[key]}
              label={label}
              context={context}
              onChange={(n) => {
                const { [key]: _old, ...rest } = numbers;
                onChange((n === undefined ? rest : { ...rest, [key]: n }) as unknown as Mechanics);
              }}
            />
          </fieldset>
        ))}
      </div>
    </details>
  );
}
