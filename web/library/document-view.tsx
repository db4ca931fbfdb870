import { Link } from 'react-router';
import type { EntryInForce, EntrySummary, Sheet } from '../../contract/library.ts';
import { KIND_WORDS, titleOf } from '../../core/library/index.ts';
import type { Body, Kind } from '../../core/library/index.ts';
import { useGet, useSigned } from '../shell/index.ts';
import { Loaded } from '../ui/index.ts';
import { Consequences } from './consequences.tsx';
import { FORMS } from './fields/index.ts';
import { Reading } from './reading.tsx';
import { SheetView } from './sheet-view.tsx';

interface Props {
  kind: Kind;
  slug: string;
  entries: EntrySummary[];
}

/** A document as it is read: a variation as its sheet, everything else field by field. */
export function DocumentView({ kind, slug, entries }: Props) {
  const { me } = useSigned();
  const entry = useGet<EntryInForce>(kind === 'variation' ? null : `/api/library/${kind}/${slug}`);
  const sheet = useGet<Sheet>(kind === 'variation' ? `/api/sheets/${slug}` : null);
  const tools = (revision: number) => (
    <p className="flex flex-wrap gap-x-5 gap-y-1">
      {kind === 'variation' && <Link to={`/print/${slug}`}>Print the cue sheet</Link>}
      {kind === 'ladder' && <Link to={`/ladders/${slug}`}>Open the ladder</Link>}
      {me.role !== 'viewer' && (
        <Link to={`/library/${kind}/${slug}/edit`}>
          {me.role === 'head coach' ? 'Edit' : 'Propose a change'}
        </Link>
      )}
      <Link to={`/library/${kind}/${slug}/history`}>Revision {revision}, history</Link>
    </p>
  );
  if (kind === 'variation') {
    return (
      <Loaded query={sheet} what="the sheet">
        {(data) => <SheetView sheet={data} entries={entries} tools={tools(data.revision)} />}
      </Loaded>
    );
  }
  return (
    <Loaded query={entry} what="the document">
      {({ body, revision }) => (
        <article>
          <p className="label">{KIND_WORDS[kind]}</p>
          <h1>{titleOf(body)}</h1>
          {tools(revision)}
          {body.kind === 'houseQuestion' && <Consequences question={body} />}
          <Reading fields={FORMS[kind]} value={body} entries={entries} />
          {kind === 'cue' && <StandsOn body={body} entries={entries} />}
        </article>
      )}
    </Loaded>
  );
}

function StandsOn({ body, entries }: { body: Body; entries: EntrySummary[] }) {
  // The list carries only titles; the sheets themselves say which cues they use.
  const sheets = entries.filter((e) => e.kind === 'variation' && e.uses.includes(`cue/${body.slug}`));
  return (
    <section className="mt-5">
      <h2>Stands on {sheets.length === 1 ? 'one sheet' : `${sheets.length} sheets`}</h2>
      <ul className="mt-1">
        {sheets.map((e) => (
          <li key={e.slug}>
            <Link to={`/library/variation/${e.slug}`}>{e.title}</Link>
          </li>
        ))}
      </ul>
    </section>
  );
}
