import { useState } from 'react';
import { Link } from 'react-router';
import type { OnLadder } from '../../core/floor/index.ts';
import { EXPERIENCES } from '../../core/ladder/index.ts';
import type { Experience } from '../../core/ladder/index.ts';
import { STAGES } from '../../core/terms/index.ts';
import type { Role, Stage } from '../../core/terms/index.ts';
import { useSend } from '../shell/index.ts';
import { Button, Notice, SelectField, TextField } from '../ui/index.ts';
import { EXPERIENCE_WORDS, mayBegin } from './trials.tsx';

/** Where a person begins, said by the coach with a reason instead of by trials. */
export function Placement({ personId, ladders }: { personId: string; ladders: OnLadder[] }) {
  const send = useSend('place', { person: personId });
  const free = ladders.filter(mayBegin);
  const [ladder, setLadder] = useState('');
  const [level, setLevel] = useState('');
  const [reason, setReason] = useState('');
  const [role, setRole] = useState<Role | ''>('');
  const [stage, setStage] = useState<Stage | ''>('');
  const [experience, setExperience] = useState<Experience | ''>('');
  if (ladders.length === 0) {
    return (
      <Notice>
        There is no ladder in the library yet. <Link to="/ladders">Make one</Link>.
      </Notice>
    );
  }
  if (free.length === 0) return null;
  const chosen = free.find((l) => l.ladder.slug === ladder) ?? free[0]!;
  return (
    <form
      className="grid max-w-xl gap-3 bg-paper p-4"
      onSubmit={(e) => {
        e.preventDefault();
        send.mutate({
          ladder: chosen.ladder.slug,
          level: level || chosen.ladder.levels[0]!.id,
          reason,
          ...(role ? { role } : {}),
          ...(stage ? { stage } : {}),
          ...(experience ? { experience } : {}),
        });
      }}
    >
      <h2>Place on a level, with a reason</h2>
      <div className="grid grid-cols-2 gap-3">
        <SelectField label="Ladder" value={chosen.ladder.slug} onChange={(e) => setLadder(e.target.value)}>
          {free.map((l) => (
            <option key={l.ladder.slug} value={l.ladder.slug}>
              {l.ladder.name}
            </option>
          ))}
        </SelectField>
        <SelectField label="Level" value={level} onChange={(e) => setLevel(e.target.value)}>
          {chosen.ladder.levels.map((l, i) => (
            <option key={l.id} value={l.id}>
              {i + 1}. {l.name}
            </option>
          ))}
        </SelectField>
      </div>
      <div className="grid gap-3 sm:grid-cols-3">
        <SelectField
          label="Experience"
          hint="The first load follows it."
          value={experience}
          onChange={(e) => setExperience(e.target.value as Experience | '')}
        >
          <option value="">not said</option>
          {EXPERIENCES.map((x) => (
            <option key={x} value={x}>
              {EXPERIENCE_WORDS[x]}
            </option>
          ))}
        </SelectField>
        <SelectField label="Does it as" value={role} onChange={(e) => setRole(e.target.value as Role | '')}>
          <option value="">work</option>
          <option value="prepare">preparation</option>
          <option value="teach">teaching</option>
        </SelectField>
        <SelectField
          label="Read at stage"
          value={stage}
          onChange={(e) => setStage(e.target.value as Stage | '')}
        >
          <option value="">as the level says</option>
          {STAGES.map((s) => (
            <option key={s}>{s}</option>
          ))}
        </SelectField>
      </div>
      <TextField
        label="Why here"
        required
        hint="The simplest level at which the person is at ease."
        value={reason}
        onChange={(e) => setReason(e.target.value)}
      />
      {send.error && <Notice tone="warn">{send.error.message}</Notice>}
      <div>
        <Button type="submit" tone="main" disabled={send.isPending}>
          Place here
        </Button>
      </div>
    </form>
  );
}
