import { useState } from 'react';
import type { Consent } from '../../contract/eye.ts';
import { queryClient, refreshAfter, send } from '../shell/index.ts';
import { Button, day, Notice, TextField } from '../ui/index.ts';

/** What somebody, or their guardian, says to being measured: without it there is no button. */
export function ConsentForm({
  personId,
  name,
  consent,
}: {
  personId: string;
  name: string;
  consent: Consent | null;
}) {
  const [minor, setMinor] = useState(consent?.minor ?? false);
  const [pictures, setPictures] = useState(consent?.pictures ?? false);
  const [guardian, setGuardian] = useState(consent?.guardian ?? '');
  const [problem, setProblem] = useState<string | null>(null);
  const keep = async (given: boolean) => {
    try {
      await send('keepConsent', { person: personId }, { given, minor, pictures, guardian });
      setProblem(null);
      await refreshAfter(queryClient, 'keepConsent', { person: personId });
    } catch (error) {
      setProblem(error instanceof Error ? error.message : 'It could not be kept. Try again.');
    }
  };
  return (
    <section aria-label="Consent" className="border-t-4 border-ink bg-paper px-4 py-3">
      <h2>Does {name} agree to be measured with a camera?</h2>
      <p className="mt-1">
        The picture is looked at on this device and goes nowhere. Numbers are kept when you take them over;
        the track and single pictures only where you tick it. It can be taken back at any time: track and
        pictures are deleted at once.
      </p>
      <p className="mt-1 text-sm text-soft">
        Local safeguarding rules come first. Never in changing rooms; nobody else in the picture who has not
        agreed.
      </p>
      {consent?.withdrawnOn && (
        <p className="mt-2 font-semibold text-warn">
          Refused or taken back on {day(consent.withdrawnOn)}, written down by {consent.recordedBy}.
        </p>
      )}
      <label className="mt-2 flex min-h-11 items-center gap-2">
        <input type="checkbox" checked={minor} onChange={(e) => setMinor(e.target.checked)} /> Under age: a
        guardian says it
      </label>
      {minor && (
        <TextField
          label="Guardian, and how they said it"
          value={guardian}
          onChange={(e) => setGuardian(e.target.value)}
        />
      )}
      <label className="flex min-h-11 items-center gap-2">
        <input type="checkbox" checked={pictures} onChange={(e) => setPictures(e.target.checked)} />{' '}
        {minor ? 'Single pictures may be kept too, with the face covered' : 'Single pictures may be kept too'}
      </label>
      {problem && <Notice tone="warn">{problem}</Notice>}
      <div className="mt-3 flex flex-wrap gap-2">
        <Button floor tone="main" onClick={() => void keep(true)}>
          {minor ? 'The guardian agrees' : 'They agree'}
        </Button>
        <Button floor onClick={() => void keep(false)}>
          They do not
        </Button>
      </div>
    </section>
  );
}
