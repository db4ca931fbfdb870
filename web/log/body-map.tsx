import { useId, useState } from 'react';
import { REGIONS } from '../../core/terms/index.ts';
import type { FeltKind, Region, Side } from '../../core/terms/index.ts';
import { capital } from '../ui/index.ts';
import { FIGURE_HEIGHT, FIGURE_WIDTH, OUTLINE, PLACES } from './body-regions.ts';
import type { Place } from './body-regions.ts';

interface Felt {
  region: Region;
  kind: FeltKind;
  side: Side | null;
}

interface Props {
  /** What a tap notes. */
  kind: FeltKind;
  felt: readonly Felt[];
  /** Regions where the variation should be felt: drawn with a thick edge. */
  wanted: readonly Region[];
  onTap: (place: Pick<Place, 'region' | 'side'>) => void;
}

const LETTER: Record<FeltKind, string> = { work: 'W', stretch: 'S', pressure: 'P', pain: '!' };

const nameOf = (p: Pick<Place, 'region' | 'side'>) => (p.side ? `${p.region}, ${p.side}` : p.region);

/** The body from the front and from behind: a tap on a place says its name and notes what is felt there. */
export function BodyMap({ kind, felt, wanted, onTap }: Props) {
  const clip = useId();
  const [named, setNamed] = useState<string | null>(null);
  return (
    <div className="max-w-xl">
      <select
        aria-label="Where, from the list"
        className="field mb-1 min-h-14 max-w-64 text-lg"
        value=""
        onChange={(e) => e.target.value && onTap({ region: e.target.value as Region, side: null })}
      >
        <option value="">tap, or from the list …</option>
        {REGIONS.map((r) => (
          <option key={r}>{r}</option>
        ))}
      </select>
      {/* Always of one height: what moves under a finger is tapped wrongly. */}
      <output className="block h-7 truncate text-lg font-semibold" aria-live="polite">
        {named ? capital(named) : ''}
      </output>
      <div className="grid grid-cols-2 gap-2">
        {(['front', 'back'] as const).map((view) => (
          <figure key={view}>
            <figcaption className="label text-center">
              {view === 'front' ? 'From the front' : 'From behind'}
            </figcaption>
            <svg
              viewBox={`0 0 ${FIGURE_WIDTH} ${FIGURE_HEIGHT}`}
              className="w-full"
              role="group"
              aria-label={`The body ${view === 'front' ? 'from the front' : 'from behind'}`}
            >
              <clipPath id={`${clip}${view}`}>
                <path d={OUTLINE} />
              </clipPath>
              <path d={OUTLINE} className="fill-paper" />
              {PLACES.filter((p) => p.view === view).map((p) => (
                <Tappable
                  key={nameOf(p)}
                  place={p}
                  clip={`url(#${clip}${view})`}
                  kind={kind}
                  felt={felt}
                  wanted={wanted}
                  onTap={onTap}
                  onName={setNamed}
                />
              ))}
              <path
                d={OUTLINE}
                className="pointer-events-none"
                fill="none"
                stroke="var(--ink)"
                strokeWidth={2}
                strokeLinejoin="round"
              />
            </svg>
          </figure>
        ))}
      </div>
    </div>
  );
}

function Tappable({
  place: p,
  clip,
  kind,
  felt,
  wanted,
  onTap,
  onName,
}: Props & { place: Place; clip: string; onName: (name: string) => void }) {
  const here = felt.filter((f) => f.region === p.region && (f.side === p.side || f.side === null));
  const on = here.some((f) => f.kind === kind);
  const looked = wanted.includes(p.region);
  const tap = () => {
    onName(nameOf(p));
    onTap({ region: p.region, side: p.side });
  };
  const [x, y] = p.middle;
  return (
    <g
      role="button"
      tabIndex={0}
      aria-pressed={on}
      aria-label={`${kind}: ${nameOf(p)}`}
      className="cursor-pointer outline-offset-0"
      onClick={tap}
      onPointerEnter={() => onName(nameOf(p))}
      onFocus={() => onName(nameOf(p))}
      onKeyDown={(e) => {
        if (e.key === 'Enter' || e.key === ' ') {
          e.preventDefault();
          tap();
        }
      }}
    >
      <path d={p.reach} fill="transparent" />
      <path
        d={p.path}
        clipPath={clip}
        className={
          here.length ? (here.some((f) => f.kind === 'pain') ? 'fill-warn' : 'fill-tape') : 'fill-ground'
        }
        stroke="var(--ink)"
        strokeWidth={looked ? 4.5 : 0.8}
      />
      {here.length > 0 && (
        <text
          x={x}
          y={y}
          textAnchor="middle"
          dominantBaseline="central"
          className="fill-on-tape font-head text-[15px] font-bold"
        >
          {here.map((f) => LETTER[f.kind]).join('')}
        </text>
      )}
    </g>
  );
}
