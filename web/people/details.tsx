import { useState } from 'react';
import { useNavigate } from 'react-router';
import type { Person } from '../../contract/people.ts';
import { Download, useSend, useSigned } from '../shell/index.ts';
import { Button, Dialog, Notice, TextField } from '../ui/index.ts';
import { Corrections } from './corrections.tsx';
import { OwnLinks } from './own-links.tsx';
import { PersonForm } from './person-form.tsx';

/** Name, squad and body as they are kept, the person’s own links, and what takes their data out or away. */
export function Details({ person }: { person: Person }) {
  const { me } = useSigned();
  const edit = useSend('savePerson', { person: person.id });
  const [dialog, setDialog] = useState<'edit' | 'erase' | null>(null);
  return (
    <div className="grid max-w-3xl gap-6">
      {me.role === 'head coach' && (
        <p className="flex flex-wrap gap-2">
          <Button onClick={() => setDialog('edit')}>Change details</Button>
          <Download name="exportPerson" of={{ person: person.id }}>
            Export all data
          </Download>
          <Button tone="danger" onClick={() => setDialog('erase')}>
            Erase
          </Button>
        </p>
      )}
      <OwnLinks personId={person.id} />
      <Corrections personId={person.id} />
      <Dialog title="Change details" open={dialog === 'edit'} onClose={() => setDialog(null)}>
        <PersonForm
          person={person}
          error={edit.error}
          busy={edit.isPending}
          onSave={(request) => edit.mutate(request, { onSuccess: () => setDialog(null) })}
        />
      </Dialog>
      <Dialog title={`Erase ${person.name}`} open={dialog === 'erase'} onClose={() => setDialog(null)}>
        <Erase person={person} />
      </Dialog>
    </div>
  );
}

function Erase({ person }: { person: Person }) {
  const send = useSend('erasePerson', { person: person.id });
  const navigate = useNavigate();
  const [name, setName] = useState('');
  return (
    <form
      className="grid gap-3"
      onSubmit={(e) => {
        e.preventDefault();
        send.mutate({ name }, { onSuccess: () => void navigate('/people') });
      }}
    >
      <p>
        All sessions, sets, moves and restrictions of this person are erased from the database at once.
        Snapshots and downloaded backups made before still hold them until they rotate out; export first if
        the person wants a copy.
      </p>
      <TextField
        label={`Type the name: ${person.name}`}
        required
        value={name}
        onChange={(e) => setName(e.target.value)}
      />
      {send.error && <Notice tone="warn">{send.error.message}</Notice>}
      <Button type="submit" tone="danger" disabled={send.isPending}>
        Erase for good
      </Button>
    </form>
  );
}
