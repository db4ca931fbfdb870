import type { Body } from '../../../core/library/index.ts';
import { useLibrary } from '../../shell/index.ts';
import { differingFields } from './readable.ts';
import { comparedLines } from './word-diff.ts';
import type { Part } from './word-diff.ts';

interface Props {
  before: Body | null;
  after: Body | null;
  titles: [string, string];
}

/** Two versions beside each other in reading order: the fields that differ, word by word. */
export function SideBySide({ before, after, titles }: Props) {
  const { entries } = useLibrary();
  const names = new Map(entries.map((e) => [`${e.kind}/${e.slug}`, e.title]));
  const fields = differingFields(before, after, (kind, slug) => names.get(`${kind}/${slug}`) ?? slug);
  if (fields.length === 0) return <p className="py-2 text-soft">No difference.</p>;
  return (
    <table className="w-full table-fixed text-left">
      <thead>
        <tr className="border-b border-ink">
          <th className="w-40 py-1">Field</th>
          {titles.map((t) => (
            <th key={t} className="pr-4">
              {t}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {fields.map((f) => {
          const pairs = comparedLines(f.before, f.after);
          return (
            <tr key={f.label} className="border-b border-rule align-top">
              <th className="label py-2 pr-3">{f.label}</th>
              <td className="py-2 pr-4">
                <Lines lines={pairs.flatMap((p) => (p.before ? [p.before] : []))} gone />
              </td>
              <td className="py-2">
                <Lines lines={pairs.flatMap((p) => (p.after ? [p.after] : []))} />
              </td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}

function Lines({ lines, gone = false }: { lines: Part[][]; gone?: boolean }) {
  if (lines.length === 0) return <span className="text-soft">nothing</span>;
  return (
    <ul>
      {lines.map((parts, i) => (
        <li key={i} dir="auto" className="[overflow-wrap:anywhere]">
          {parts.map((p, j) => {
            if (!p.own) return p.text;
            return gone ? (
              <del key={j} className="text-warn">
                {p.text}
              </del>
            ) : (
              <ins key={j} className="bg-ground font-semibold decoration-2">
                {p.text}
              </ins>
            );
          })}
        </li>
      ))}
    </ul>
  );
}
