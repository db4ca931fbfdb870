import { useState } from 'react';
import { useForm } from 'react-hook-form';
import type { HallSettings, Squad } from '../../contract/hall.ts';
import { HallValues, Refused, useAddress, useAsk, useSend, useSigned, useUnits } from '../shell/index.ts';
import { Button, length, Loaded, Notice, Parts, SelectField, TextField } from '../ui/index.ts';
import { LibraryKeeping } from './keeping.tsx';
import { StaffSection } from './staff.tsx';

const TABS = [
  ['staff', 'Staff'],
  ['squads', 'Squads'],
  ['keeping', 'Library file and backup'],
  ['settings', 'Settings'],
] as const;

/** What the head coach keeps in order besides the library. */
export function Hall() {
  const { params, set } = useAddress();
  const part = TABS.find(([value]) => value === params.get('part'))?.[0] ?? 'staff';
  return (
    <div className="mx-auto max-w-5xl">
      <h1>Hall</h1>
      <Parts label="Parts of the hall" parts={TABS} value={part} onPick={(to) => set({ part: to })}>
        {part === 'staff' && <StaffSection />}
        {part === 'squads' && <Squads />}
        {part === 'keeping' && <LibraryKeeping />}
        {part === 'settings' && <Settings />}
      </Parts>
    </div>
  );
}

function Settings() {
  const { hall } = useSigned();
  const units = useUnits();
  const send = useSend('saveHall');
  const { register, handleSubmit } = useForm<HallSettings>({
    values: {
      name: hall.name,
      timeZone: hall.timeZone,
      paper: hall.paper,
      massUnit: hall.massUnit,
      lengthUnit: hall.lengthUnit,
      dates: hall.dates,
      growsByItself: hall.growsByItself,
      placementWay: hall.placementWay,
      soleM: hall.soleM,
    },
  });
  const error = send.error instanceof Refused ? send.error : null;
  return (
    <form className="grid max-w-xl gap-4" onSubmit={handleSubmit((v) => send.mutate(v))}>
      <TextField label="Name of the hall" required error={error?.field('name')} {...register('name')} />
      <SelectField
        label="Time zone (decides when a day ends)"
        error={error?.field('timeZone')}
        {...register('timeZone')}
      >
        {[...new Set([hall.timeZone, 'UTC', ...Intl.supportedValuesOf('timeZone')])].map((z) => (
          <option key={z}>{z}</option>
        ))}
      </SelectField>
      <HallValues register={register} />
      <p className="text-sm text-soft">
        Units may differ on one screen: press / and choose “Show mass in …”.
      </p>
      <label className="flex items-start gap-2">
        <input type="checkbox" className="mt-1.5 size-4" {...register('growsByItself')} />
        <span>
          Ways on without a heavier weight confirm themselves (more repetitions, seconds, sets, less help). A
          heavier weight and every move between levels are always confirmed by a coach.
        </span>
      </label>
      <SelectField
        label="Trials for placing somebody"
        hint="The first gives about half a trial more and tries three times fewer people on what is much too hard."
        {...register('placementWay')}
      >
        <option value="information">what tells most, never much too hard</option>
        <option value="halving">halve what is open: shorter</option>
      </SelectField>
      <SelectField
        label="Shoes worn in the hall"
        hint="What is fitted to somebody rises by the sole."
        {...register('soleM', { valueAsNumber: true })}
      >
        {[...new Set([0, 0.01, 0.025, 0.035, hall.soleM])]
          .sort((a, b) => a - b)
          .map((m) => (
            <option key={m} value={m}>
              {m === 0 ? 'barefoot' : `sole of ${length(m, units.length)}`}
            </option>
          ))}
      </SelectField>
      {send.error && <Notice tone="warn">{send.error.message}</Notice>}
      {send.isSuccess && <Notice>Kept.</Notice>}
      <div>
        <Button type="submit" tone="main" disabled={send.isPending}>
          Keep the settings
        </Button>
      </div>
    </form>
  );
}

function Squads() {
  const squads = useAsk('squads');
  const add = useSend('addSquad');
  const [name, setName] = useState('');
  return (
    <div className="max-w-xl">
      <p className="mb-3 text-soft">
        Pain and other health reasons are shown to the staff of a person’s squad and to you.
      </p>
      <Loaded query={squads} what="the squads">
        {(list) => (
          <ul>
            {list.map((s) => (
              <SquadRow key={s.id} squad={s} />
            ))}
          </ul>
        )}
      </Loaded>
      <form
        className="mt-4 flex items-end gap-3"
        onSubmit={(e) => {
          e.preventDefault();
          add.mutate({ name: name.trim() }, { onSuccess: () => setName('') });
        }}
      >
        <TextField
          label="New squad"
          required
          value={name}
          onChange={(e) => setName(e.target.value)}
          className="grow"
        />
        <Button type="submit" tone="main">
          Add
        </Button>
      </form>
      {add.error && <Notice tone="warn">{add.error.message}</Notice>}
    </div>
  );
}

const WEEKDAYS = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'];

function SquadRow({ squad }: { squad: Squad }) {
  const send = useSend('saveSquad', { id: squad.id });
  const [name, setName] = useState(squad.name);
  const days = squad.trainingDays;
  const toggle = (day: number) =>
    send.mutate({
      name: squad.name,
      trainingDays: days.includes(day) ? days.filter((d) => d !== day) : [...days, day],
    });
  return (
    <li className="border-b border-rule py-2">
      <div className="flex items-center gap-3">
        <input
          aria-label={`Name of ${squad.name}`}
          className="field"
          value={name}
          onChange={(e) => setName(e.target.value)}
        />
        <Button
          disabled={name.trim() === '' || name === squad.name}
          onClick={() => send.mutate({ name: name.trim() })}
        >
          Rename
        </Button>
      </div>
      <div
        role="group"
        aria-label={`Training days of ${squad.name}`}
        className="mt-1 flex flex-wrap items-center gap-1"
      >
        <span className="label mr-2">Trains on</span>
        {WEEKDAYS.map((word, i) => (
          <Button
            key={word}
            aria-pressed={days.includes(i + 1)}
            tone={days.includes(i + 1) ? 'main' : 'plain'}
            onClick={() => toggle(i + 1)}
          >
            {word}
          </Button>
        ))}
        {days.length === 0 && <span className="text-sm text-soft">none marked: any day</span>}
      </div>
      {send.error && <Notice tone="warn">{send.error.message}</Notice>}
    </li>
  );
}
