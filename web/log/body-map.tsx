import { REGIONS } from '../../core/terms/index.ts';
import type { FeltKind, Region, Side } from '../../core/terms/index.ts';
import { FIGURE_HEIGHT, FIGURE_WIDTH, OUTLINE, PLACES } from './body-regions.ts';
import type { Place } from './body-regions.ts';

interface Felt {
  region: Region;
  kind: FeltKind;
  side: Side | null;
}

interface Props {
  /** What a tap notes; null: nothing can be noted. */
  kind: FeltKind;
  felt: readonly Felt[];
  /** Regions where the variation should be felt: drawn with a thick edge. */
  wanted: readonly Region[];
  onTap: (place: Pick<Place, 'region' | 'side'>) => void;
}

const LETTER: Record<FeltKind, string> = { work: 'W', stretch: 'S', pressure: 'P', pain: '!' };

/** The body from the front and from behind: a tap on a place notes what is felt there. */
export function BodyMap({ kind, felt, wanted, onTap }: Props) {
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
              {OUTLINE.map((d) => (
                <path key={d} d={d} className="fill-paper stroke-rule" strokeWidth={2} />
              ))}
              {PLACES.filter((p) => p.view === view).map((p) => (
                <Tappable
                  key={`${p.region} ${p.side}`}
                  place={p}
                  kind={kind}
                  felt={felt}
                  wanted={wanted}
                  onTap={onTap}
                />
              ))}
            </svg>
          </figure>
        ))}
      </div>
    </div>
  );
}

function Tappable({ place: p, kind, felt, wanted, onTap }: Props & { place: Place }) {
  const here = felt.filter((f) => f.region === p.region && (f.side === p.side || f.side === null));
  const on = here.some((f) => f.kind === kind);
  const where = p.side ? `${p.region}, ${p.side}` : p.region;
  const looked = wanted.includes(p.region);
  const tap = () => onTap({ region: p.region, side: p.side });
  const centre = middleOf(p.path);
  return (
    <g
      role="button"
      tabIndex={0}
      aria-pressed={on}
      aria-label={`${kind}: ${where}`}
      className="cursor-pointer outline-offset-0"
      onClick={tap}
      onKeyDown={(e) => {
        if (e.key === 'Enter' || e.key === ' ') {
          e.preventDefault();
          tap();
        }
      }}
    >
      <path
        d={p.path}
        className={
          here.length ? (here.some((f) => f.kind === 'pain') ? 'fill-warn' : 'fill-tape') : 'fill-ground'
        }
        stroke="var(--ink)"
        strokeWidth={looked ? 3.5 : 1}
        strokeDasharray={looked ? undefined : '3 3'}
      />
      {here.length > 0 && (
        <text
          x={centre.x}
          y={centre.y}
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

/** The middle of a place's box, read from how its outline begins. */
function middleOf(path: string): { x: number; y: number } {
  const [x = 0, y = 0, across = 0, corner = 0, , , , , , , down = 0] =
    path.match(/-?[\d.]+/g)?.map(Number) ?? [];
  return { x: x + across / 2, y: y + corner + down / 2 };
}
