import { useState } from 'react';
import { useNavigate, useSearchParams } from 'react-router';
import type { EntrySummary } from '../../../contract/library.ts';
import { REFERENCE_BUILD } from '../../../core/body/index.ts';
import { apartFrom, fieldsOf, likeOne } from '../../../core/library/index.ts';
import type { Apart, DocumentFields, Variation } from '../../../core/library/index.ts';
import { settledAlone } from '../../../core/posture/index.ts';
import { Movement } from '../../figure/index.ts';
import { send, useAsk, useLibrary, useSigned } from '../../shell/index.ts';
import { Button, Empty, Loaded, Notice, TextField } from '../../ui/index.ts';
import { OwnFindings } from '../health/findings.tsx';
import { DocumentSelect } from './fields/document-select.tsx';
import { EditFields } from './fields/edit.tsx';
import type { Value } from './fields/context.ts';
import { nameProblem, slugFrom } from './new-document.tsx';
import { useCheck } from './use-check.ts';

/** A new variation out of one like it: ten fields say how it differs, everything else is as there until it is changed. */
export function NewVariation() {
  const { query: library } = useLibrary();
  const [params, setParams] = useSearchParams();
  const from = params.get('from') ?? '';
  const { me } = useSigned();
  if (me.role === 'viewer') {
    return (
      <Empty next={{ to: '/library', what: 'To the library' }}>
        Coaches propose a new variation, and the head coach puts it in force.
      </Empty>
    );
  }
  return (
    <Loaded query={library} what="the library">
      {({ entries }) => (
        <div className="mx-auto max-w-6xl">
          <h1>New variation</h1>
          <p className="text-soft">
            Begin from the most like one: cues, faults, set-up and figure come along, and you say what
            differs.
          </p>
          <div className="my-3 max-w-md">
            <span className="label mb-1 block">1. Starts as</span>
            <DocumentSelect
              aria-label="Starts as"
              kind="variation"
              value={from}
              context={{ entries, errors: new Map() }}
              onChange={(slug) => setParams({ from: slug }, { replace: true })}
            />
          </div>
          {from && <Source key={from} slug={from} entries={entries} />}
        </div>
      )}
    </Loaded>
  );
}

function Source({ slug, entries }: { slug: string; entries: EntrySummary[] }) {
  const found = useAsk('document', { kind: 'variation', slug });
  return (
    <Loaded query={found} what="the variation">
      {({ body }) => body.kind === 'variation' && <Differs like={body} entries={entries} />}
    </Loaded>
  );
}

const numbered = (keys: readonly (keyof Apart)[], from: number) =>
  Object.fromEntries(
    keys.map((key, i) => {
      const field = fieldsOf('variation')[key]!;
      return [key, { ...field, label: `${from + i}. ${field.label}` }];
    }),
  );
const WORDS = numbered(['alsoCalled', 'reasonsToChoose'], 3);
const KIND_OF_MOVEMENT = numbered(['laterality', 'loadKind', 'loadPlace', 'rangeTarget'], 5);
const KIT = numbered(['equipmentAll'], 9);

function Differs({ like, entries }: { like: Variation; entries: EntrySummary[] }) {
  const { me } = useSigned();
  const navigate = useNavigate();
  const [apart, setApart] = useState(() => apartFrom(like, me.name));
  const [error, setError] = useState<string | null>(null);
  const named = { ...apart, slug: slugFrom(apart.name) };
  const body = likeOne(like, named);
  const problem = nameProblem('variation', apart.name, entries);
  const check = useCheck([body], Boolean(named.slug) && !problem);
  const work = apart.dose.find((d) => d.role === 'work') ?? apart.dose[0];
  const setWork = (part: Partial<NonNullable<typeof work>>) =>
    setApart({ ...apart, dose: apart.dose.map((d) => (d === work ? { ...d, ...part } : d)) });
  const number = (label: string, value: number | undefined, put: (n: number) => void) => (
    <TextField
      label={label}
      type="number"
      min={1}
      className="w-32"
      value={value ?? ''}
      onChange={(e) => e.target.value && put(Number(e.target.value))}
    />
  );
  const fields = (of: DocumentFields) => (
    <EditFields
      fields={of}
      value={apart as unknown as Value}
      path=""
      context={{ entries, errors: new Map() }}
      onChange={(v) => setApart(v as unknown as Apart)}
    />
  );
  const write = async () => {
    try {
      await send(
        'saveDraft',
        { kind: 'variation', slug: named.slug },
        { body, base: 0, also: [], since: null },
      );
      void navigate(`/library/variation/${named.slug}/edit`);
    } catch (e) {
      setError((e as Error).message);
    }
  };
  return (
    <form
      className="grid items-start gap-8 lg:grid-cols-[minmax(0,1fr)_22rem]"
      onSubmit={(e) => {
        e.preventDefault();
        if (named.slug && !problem) void write();
      }}
    >
      <div className="grid gap-3">
        <TextField
          label="2. Name"
          required
          value={apart.name}
          error={problem || undefined}
          hint="The usual name in the trade, if there is one."
          onChange={(e) => setApart({ ...apart, name: e.target.value })}
        />
        {fields(WORDS)}
        <div className="[&>div]:sm:grid-cols-2">{fields(KIND_OF_MOVEMENT)}</div>
        {fields(KIT)}
        {work && (
          <fieldset>
            <legend className="label mb-1">10. Usual amount</legend>
            <div className="flex flex-wrap gap-3">
              {number('Sets', work.sets, (sets) => setWork({ sets }))}
              {work.repsFrom !== undefined &&
                number('Repetitions from', work.repsFrom, (repsFrom) => setWork({ repsFrom }))}
              {work.repsTo !== undefined && number('to', work.repsTo, (repsTo) => setWork({ repsTo }))}
              {work.holdS !== undefined && number('Hold, s', work.holdS, (holdS) => setWork({ holdS }))}
              {work.rounds !== undefined && number('Rounds', work.rounds, (rounds) => setWork({ rounds }))}
            </div>
          </fieldset>
        )}
        {error && <Notice tone="warn">{error} What you entered is kept here.</Notice>}
        <p>
          <Button type="submit" tone="main">
            Write it
          </Button>{' '}
          <span className="text-sm text-soft">
            It opens as a sheet to read over; nothing is in force until you say so.
          </span>
        </p>
      </div>
      <aside aria-label="What comes of it" className="grid gap-4 lg:sticky lg:top-4">
        <Movement
          mechanics={settledAlone(body.mechanics)}
          pattern={body.pattern}
          build={REFERENCE_BUILD}
          tempo={body.tempo}
          scale={0.8}
        />
        <section aria-live="polite">
          <h2 className="text-base">Health</h2>
          {!check.data && <p className="text-sm text-soft">Looked at once it has a name.</p>}
          {check.data?.errors.map((e) => (
            <p key={e.field} className="text-sm text-warn">
              {e.field}: {e.detail}
            </p>
          ))}
          {check.data && check.data.errors.length === 0 && <OwnFindings findings={check.data.findings} />}
        </section>
      </aside>
    </form>
  );
}
