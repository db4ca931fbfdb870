import { MASS_SETS, SOURCED } from '../../core/body/index.ts';

/** Every number the model stands on, with its source and how far it can be trusted. */
export function Sources() {
  return (
    <details className="mt-6 border-t border-rule py-2">
      <summary className="font-head font-semibold">
        Where the numbers come from, and how certain they are
      </summary>
      <p className="mt-1 text-soft">
        A still body in the side view with a rigid trunk: no speed, no muscles working against each other, net
        moments only. Every value is from memory of its source. Segment masses:{' '}
        {Object.values(MASS_SETS)
          .map((m) => `${m.name}: ${m.source}, certainty ${m.certainty}`)
          .join('; ')}
        .
      </p>
      <div className="mt-2 overflow-x-auto">
        <table className="w-full text-left text-sm">
          <thead>
            <tr className="border-b border-ink">
              <th>What</th>
              <th className="px-3 text-right">Value</th>
              <th>of</th>
              <th>Source</th>
              <th>Certainty</th>
            </tr>
          </thead>
          <tbody>
            {Object.entries(SOURCED).map(([name, s]) => (
              <tr key={name} className="border-b border-rule align-top">
                <td>{s.what}</td>
                <td className="px-3 text-right">{s.value}</td>
                <td>{s.of}</td>
                <td>{s.source}</td>
                <td>{s.certainty}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </details>
  );
}
