import { Link } from 'react-router';
import type { EntrySummary } from '../../../contract/library.ts';
import { KIND_WORDS, titleOf } from '../../../core/library/index.ts';
import type { Kind } from '../../../core/library/index.ts';
import { absenceWords, countWords, sizeWords } from '../../kit/index.ts';
import { useAsk, useSigned, useUnits } from '../../shell/index.ts';
import { Loaded } from '../../ui/index.ts';
import { CueView } from './cue-view.tsx';
import { FaultView } from './fault-view.tsx';
import { QuestionView } from '../rules/question-view.tsx';
import { DocumentReading } from './reading.tsx';
import { SheetView } from './sheet-view.tsx';
import { AlsoCalled } from './also-called.tsx';

interface Props {
  kind: Kind;
  slug: string;
  entries: EntrySummary[];
}

/** A document as it is read: a variation as its sheet, cues, faults and house questions in their own way. */
export function DocumentView({ kind, slug, entries }: Props) {
  const { me } = useSigned();
  const entry = useAsk('document', kind === 'variation' ? null : { kind, slug });
  const sheet = useAsk('sheet', kind === 'variation' ? { slug } : null);
  const tools = (revision: number) => (
    <p className="flex flex-wrap items-center gap-x-5 gap-y-1">
      {kind === 'variation' && <Link to={`/print?job=full:${slug}`}>Print or share</Link>}
      {kind === 'ladder' && (
        <>
          <Link to={`/ladders/${slug}`}>Open the ladder</Link>
          <Link to={`/print?job=poster:${slug}`}>Print the poster</Link>
        </>
      )}
      {me.role !== 'viewer' && (
        <>
          <Link to={`/library/${kind}/${slug}/edit`}>
            {me.role === 'head coach' ? 'Edit' : 'Propose a change'}
          </Link>
          {kind === 'cue' && <Link to={`/library/cue/${slug}/merge`}>Merge with another</Link>}
          {kind === 'variation' && <Link to={`/library/new/variation?from=${slug}`}>Use as a start</Link>}
        </>
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
          {/* A cue is its own title; it stands large beneath. */}
          <h1 className={kind === 'cue' ? 'sr-only' : ''}>{titleOf(body)}</h1>
          {'alsoCalled' in body && <AlsoCalled names={body.alsoCalled} />}
          {tools(revision)}
          {body.kind === 'houseQuestion' ? (
            <QuestionView question={body} revision={revision} entries={entries} />
          ) : body.kind === 'cue' ? (
            <CueView cue={body} entries={entries} />
          ) : body.kind === 'fault' ? (
            <FaultView fault={body} entries={entries} />
          ) : (
            <>
              {body.kind === 'equipment' && <InTheHall slug={body.slug} />}
              <DocumentReading body={body} entries={entries} />
            </>
          )}
        </article>
      )}
    </Loaded>
  );
}

/** What the hall has of it, and where it stands. */
function InTheHall({ slug }: { slug: string }) {
  const { me, hall } = useSigned();
  const kit = useAsk('kit');
  const units = useUnits();
  if (!kit.data) return null;
  const own = kit.data.filter((p) => p.equipment === slug && p.count > 0);
  const said = kit.data.some((p) => p.equipment === slug);
  const absent = own.filter((p) => absenceWords(p, hall.today) !== null);
  return (
    <p className="mt-2">
      {!said
        ? 'Nobody has said yet what the hall has. '
        : own.length === 0
          ? 'The hall has none. '
          : 'The hall has '}
      {own.length > 0 &&
        `${own.map((p) => [sizeWords(p, units), countWords(p)].filter(Boolean).join(' × ')).join('; ')}. `}
      {[...new Set(own.map((p) => p.place).filter(Boolean))].join('; ')}{' '}
      {absent.length > 0 && (
        <span className="text-warn">
          Not there now:{' '}
          {absent
            .map((p) => [sizeWords(p, units), absenceWords(p, hall.today)].filter(Boolean).join(', '))
            .join('; ')}
          .{' '}
        </span>
      )}
      {me.role !== 'viewer' && <Link to="/kit">To the kit room</Link>}
    </p>
  );
}
