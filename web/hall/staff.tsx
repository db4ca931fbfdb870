import { useState } from 'react';
import { useForm } from 'react-hook-form';
import type { Squad, StaffMember } from '../../contract/hall.ts';
import { Refused, useAsk, useSend } from '../shell/index.ts';
import { Button, Dialog, Loaded, Notice, SelectField, TextField } from '../ui/index.ts';

/** Accounts: who signs in, as what, and whose squads they train. */
export function StaffSection() {
  const staff = useAsk('staff');
  const squads = useAsk('squads');
  const [open, setOpen] = useState<StaffMember | 'new' | null>(null);
  return (
    <div>
      <Loaded query={staff} what="the staff">
        {(list) => (
          <table className="w-full text-left">
            <thead>
              <tr className="border-b border-ink text-sm">
                <th className="py-1">Name</th>
                <th>Sign-in name</th>
                <th>Role</th>
                <th>Squads</th>
                <th>
                  <span className="sr-only">Change</span>
                </th>
              </tr>
            </thead>
            <tbody>
              {list.map((s) => (
                <tr key={s.id} className="border-b border-rule">
                  <td className="py-2 font-semibold">{s.name}</td>
                  <td>{s.login}</td>
                  <td>{s.active ? s.role : `${s.role} (closed)`}</td>
                  <td>
                    {s.role === 'head coach'
                      ? 'all'
                      : s.squadIds.map((id) => squads.data?.find((q) => q.id === id)?.name).join(', ')}
                  </td>
                  <td className="text-right">
                    <Button onClick={() => setOpen(s)}>Change</Button>
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        )}
      </Loaded>
      <Button tone="main" className="mt-4" onClick={() => setOpen('new')}>
        Add staff
      </Button>
      <Dialog
        title={open === 'new' ? 'Add staff' : 'Change the account'}
        open={open !== null}
        onClose={() => setOpen(null)}
      >
        {open && (
          <StaffForm
            member={open === 'new' ? null : open}
            squads={squads.data ?? []}
            onDone={() => setOpen(null)}
          />
        )}
      </Dialog>
    </div>
  );
}

interface Values {
  name: string;
  login: string;
  role: StaffMember['role'];
  squadIds: string[];
  password: string;
  active: boolean;
}

function StaffForm({
  member,
  squads,
  onDone,
}: {
  member: StaffMember | null;
  squads: Squad[];
  onDone: () => void;
}) {
  const add = useSend('addStaff');
  const edit = useSend('saveStaff', { id: member?.id ?? '' });
  const send = member ? edit : add;
  const { register, handleSubmit } = useForm<Values>({
    defaultValues: member
      ? { ...member, password: '' }
      : { name: '', login: '', role: 'coach', squadIds: [], password: '', active: true },
  });
  const error = send.error instanceof Refused ? send.error : null;
  return (
    <form
      className="grid gap-3"
      onSubmit={handleSubmit(({ password, active, ...v }) => {
        const values = { ...v, squadIds: [v.squadIds].flat().filter(Boolean) };
        if (member)
          edit.mutate({ ...values, active, ...(password ? { password } : {}) }, { onSuccess: onDone });
        else add.mutate({ ...values, password }, { onSuccess: onDone });
      })}
    >
      <TextField label="Name" required error={error?.field('name')} {...register('name')} />
      <TextField label="Sign-in name" required error={error?.field('login')} {...register('login')} />
      <SelectField label="Role" error={error?.field('role')} {...register('role')}>
        <option value="head coach">head coach: owns library and hall</option>
        <option value="coach">coach: logs, decides for own squads, proposes changes</option>
        <option value="viewer">viewer: reads library and ladders, no people</option>
      </SelectField>
      <fieldset>
        <legend className="label">Squads</legend>
        <div className="flex flex-wrap gap-x-5">
          {squads.map((s) => (
            <label key={s.id} className="flex min-h-9 items-center gap-2">
              <input type="checkbox" value={s.id} {...register('squadIds')} />
              {s.name}
            </label>
          ))}
          {squads.length === 0 && <p className="text-soft">No squads yet.</p>}
        </div>
      </fieldset>
      <TextField
        label={member ? 'New password (empty: stays)' : 'Password'}
        type="password"
        autoComplete="new-password"
        required={!member}
        hint="At least 10 characters. A new one signs the account out everywhere."
        error={error?.field('password')}
        {...register('password')}
      />
      {member && (
        <label className="flex min-h-9 items-center gap-2">
          <input type="checkbox" {...register('active')} />
          May sign in
        </label>
      )}
      {send.error && <Notice tone="warn">{send.error.message}</Notice>}
      <Button type="submit" tone="main" disabled={send.isPending}>
        {member ? 'Save' : 'Add'}
      </Button>
    </form>
  );
}
