import { Link } from 'react-router';
import { BLOCKING, HEALTH_KINDS } from '../../../core/review/index.ts';
import { useAsk, useLibrary } from '../../shell/index.ts';
import { Empty, Loaded } from '../../ui/index.ts';
import { FindingLine, HEALTH_WORDS } from './findings.tsx';
import { ListsOut } from '../find/lists-out-buttons.tsx';

/** What the library finds wanting in itself, each with its proof and the way to mend it. */
export function HealthPage() {
  const health = useAsk('health');
  const { entries } = useLibrary();
  return (
    <Loaded query={health} what="the health of the library">
      {({ findings, documents }) => {
        const kinds = HEALTH_KINDS.map((kind) => ({ kind, list: findings.filter((f) => f.kind === kind) }));
        const blocking = findings.filter((f) => BLOCKING.has(f.kind)).length;
        return (
          <div className="grid gap-8 lg:grid-cols-[19rem_1fr]">
            <div className="lg:sticky lg:top-4 lg:self-start">
              <p>
                <Link to="/library">Library</Link>
              </p>
              <h1>Health of the library</h1>
              <p className="text-soft">
                {documents} documents looked at. {blocking === 0 ? 'Nothing' : blocking} to mend before a
                sheet is used, {findings.length - blocking} that can wait.
              </p>
              <ListsOut
                name="Health"
                table={() =>
                  Promise.resolve({
                    columns: ['Finding', 'Mend before use', 'Document', 'Proof'],
                    rows: findings.map((f) => [
                      HEALTH_WORDS[f.kind],
                      BLOCKING.has(f.kind) ? 'yes' : 'no',
                      f.document ? `${f.document.kind}/${f.document.slug}` : 'the library',
                      f.proof,
                    ]),
                  })
                }
              />
              <table className="mt-3 w-full text-left">
                <tbody>
                  {kinds.map(({ kind, list }) => (
                    <tr key={kind} className="border-b border-rule">
                      <th
                        scope="row"
                        className={`py-1 font-read text-sm ${list.length ? '' : 'font-normal text-soft'}`}
                      >
                        {list.length > 0 ? (
                          <a href={`#${kind.replaceAll(' ', '-')}`} className="inline-block py-0.5">
                            {HEALTH_WORDS[kind]}
                          </a>
                        ) : (
                          HEALTH_WORDS[kind]
                        )}
                      </th>
                      <td
                        className={`text-right ${list.length && BLOCKING.has(kind) ? 'font-bold text-warn' : ''}`}
                      >
                        {list.length}
                      </td>
                    </tr>
                  ))}
                </tbody>
              </table>
            </div>
            <div className="min-w-0">
              {findings.length === 0 && (
                <Empty>Nothing is found wanting. It is looked at anew with every accepted change.</Empty>
              )}
              {kinds.map(
                ({ kind, list }) =>
                  list.length > 0 && (
                    <section key={kind} id={kind.replaceAll(' ', '-')} className="mb-6">
                      <h2 className="border-b border-ink pb-1">
                        {HEALTH_WORDS[kind]}{' '}
                        <span className="font-normal text-soft">
                          {BLOCKING.has(kind) ? 'mend before use' : 'can wait'}
                        </span>
                      </h2>
                      <ul>
                        {list.map((f, i) => (
                          <FindingLine key={i} finding={f} entries={entries} />
                        ))}
                      </ul>
                    </section>
                  ),
              )}
            </div>
          </div>
        );
      }}
    </Loaded>
  );
}
