import type { Body } from '../../core/library/index.ts';
import { differingFields } from './readable.ts';

interface Props {
  before: Body | null;
  after: Body | null;
  titles: [string, string];
}

/** Two versions beside each other: the fields that differ, with the lines only one of them has marked. */
export function SideBySide({ before, after, titles }: Props) {
  const fields = differingFields(before, after);
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
        {fields.map((f) => (
          <tr key={f.label} className="border-b border-rule align-top">
            <th className="label py-2 pr-3">{f.label}</th>
            <td className="py-2 pr-4">
              <Lines lines={f.before} other={f.after} gone />
            </td>
            <td className="py-2">
              <Lines lines={f.after} other={f.before} />
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

function Lines({ lines, other, gone = false }: { lines: string[]; other: string[]; gone?: boolean }) {
  if (lines.length === 0) return <span className="text-soft">nothing</span>;
  return (
    <ul>
      {lines.map((l, i) => {
        if (other.includes(l)) return <li key={i}>{l}</li>;
        return (
          <li key={i}>
            {gone ? (
              <del className="text-warn">{l}</del>
            ) : (
              <ins className="bg-ground font-semibold decoration-2">{l}</ins>
            )}
          </li>
        );
      })}
    </ul>
  );
}
