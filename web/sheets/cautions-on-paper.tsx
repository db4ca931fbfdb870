import type { Block } from '../../core/sheets/index.ts';
import type { ResolvedVariation } from '../../core/library/index.ts';
import { Lines } from './paper.tsx';

/** What is particular to the movement line by line; what stands on every sheet in one small block beneath. */
export function CautionsOnPaper({
  of,
  block,
  columns = false,
}: {
  of: ResolvedVariation;
  block: Block | undefined;
  columns?: boolean;
}) {
  const everywhere = new Set(of.cautions.filter((c) => c.everywhere).map((c) => `caution/${c.slug}`));
  const [own, all] = [false, true].map((is) => block?.lines.filter((l) => everywhere.has(l.of ?? '') === is));
  return (
    <>
      <div className={columns ? 'gap-6 sm:columns-2 print:columns-2' : ''}>
        <Lines lines={own} />
      </div>
      {all && all.length > 0 && (
        <p className="mt-1 break-inside-avoid text-[9pt] leading-tight">
          {all.map((l) => (
            <span key={l.of}>
              <b>{l.lead}:</b> {l.text}{' '}
            </span>
          ))}
        </p>
      )}
    </>
  );
}
