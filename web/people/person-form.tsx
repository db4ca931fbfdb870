import { useForm } from 'react-hook-form';
import type { Squad, StaffMember } from '../../contract/hall.ts';
import type { Person, PersonRequest } from '../../contract/people.ts';
import { Refused, useAsk, useUnits } from '../shell/index.ts';
import {
  Button,
  Field,
  Loaded,
  fromLength,
  fromMass,
  Notice,
  SelectField,
  TextField,
  tidy,
  toLength,
  toMass,
} from '../ui/index.ts';

interface Values {
  name: string;
  squadId: string;
  stature: string;
  mass: string;
  note: string;
  emergency: string;
  firstAid: string;
  coachIds: string[];
}

interface Props {
  person: Person | null;
  error: Error | null;
  busy: boolean;
  onSave: (request: PersonRequest) => void;
}

/** Name and squad; stature and mass only if the person wants to give them. */
export function PersonForm(props: Props) {
  const squads = useAsk('squads');
  const staff = useAsk('staff');
  // Not before there is something to choose from: a list without its choices would forget what was chosen.
  return (
    <Loaded query={squads} what="the squads">
      {(all) => (
        <Loaded query={staff} what="the staff">
          {(members) => (
            <Fields {...props} squads={all} coaches={members.filter((s) => s.role === 'coach' && s.active)} />
          )}
        </Loaded>
      )}
    </Loaded>
  );
}

function Fields({
  person,
  error,
  busy,
  onSave,
  squads,
  coaches,
}: Props & { squads: readonly Squad[]; coaches: readonly StaffMember[] }) {
  const units = useUnits();
  const { register, handleSubmit } = useForm<Values>({
    values: {
      name: person?.name ?? '',
      squadId: person?.squadId ?? '',
      stature: person?.statureM ? tidy(toLength(person.statureM, units.length)) : '',
      mass: person?.massKg ? tidy(toMass(person.massKg, units.mass)) : '',
      note: person?.note ?? '',
      emergency: person?.emergency ?? '',
      firstAid: person?.firstAid ?? '',
      coachIds: person?.coachIds ?? [],
    },
    resetOptions: { keepDirtyValues: true },
  });
  const refused = error instanceof Refused ? error : null;
  const number = (text: string) => (text.trim() === '' ? null : Number(text.replace(',', '.')));
  return (
    <form
      className="grid gap-3"
      onSubmit={handleSubmit((v) => {
        const stature = number(v.stature);
        const mass = number(v.mass);
        onSave({
          name: v.name.trim(),
          squadId: v.squadId || null,
          statureM: stature === null ? null : fromLength(stature, units.length),
          massKg: mass === null ? null : fromMass(mass, units.mass),
          note: v.note,
          emergency: v.emergency.trim(),
          firstAid: v.firstAid.trim(),
          coachIds: v.coachIds,
        });
      })}
    >
      <TextField label="Name" required error={refused?.field('name')} {...register('name')} />
      <SelectField label="Squad" error={refused?.field('squadId')} {...register('squadId')}>
        <option value="">No squad</option>
        {squads.map((s) => (
          <option key={s.id} value={s.id}>
            {s.name}
          </option>
        ))}
      </SelectField>
      <div className="grid grid-cols-2 gap-3">
        <TextField
          label={`Stature, ${units.length} (may stay empty)`}
          inputMode="decimal"
          error={refused?.field('statureM')}
          {...register('stature')}
        />
        <TextField
          label={`Mass, ${units.mass} (may stay empty)`}
          inputMode="decimal"
          error={refused?.field('massKg')}
          {...register('mass')}
        />
      </div>
      <Field label="Note">
        {(props) => <textarea className="field" rows={2} {...props} {...register('note')} />}
      </Field>
      <TextField
        label="Whom to call in an emergency"
        hint="Stands beside the next set, also for who covers them."
        error={refused?.field('emergency')}
        {...register('emergency')}
      />
      <TextField
        label="What a first-aider has to know"
        hint="Asthma, allergies, medicines to hand."
        error={refused?.field('firstAid')}
        {...register('firstAid')}
      />
      {coaches.length > 0 && (
        <fieldset>
          <legend className="label">Coaches besides those of the squad</legend>
          <div className="flex flex-wrap gap-x-5">
            {coaches.map((s) => (
              <label key={s.id} className="flex min-h-9 items-center gap-1.5">
                <input type="checkbox" value={s.id} {...register('coachIds')} />
                {s.name}
              </label>
            ))}
          </div>
        </fieldset>
      )}
      {error && <Notice tone="warn">{error.message}</Notice>}
      <div>
        <Button type="submit" tone="main" disabled={busy}>
          {person ? 'Save' : 'Add the person'}
        </Button>
      </div>
    </form>
  );
}
