import { memo, useId } from 'react';
import type { LoadLook, Figure, Point, Prop } from '../../core/posture/index.ts';
import { bodyShapes, frameOf, PLATE_M, svgPoint } from './shape.ts';
import type { Frame } from './shape.ts';

/** Icon: the silhouette alone. Plain: with what stands around it. Full: with balance and foot pressure. */
export type Detail = 'icon' | 'plain' | 'full';

interface Props {
  figure: Figure;
  detail?: Detail;
  /** A frame shared with other drawings keeps them to one scale. */
  frame?: Frame;
  /** Said to those who do not see it; absent where words stand beside it. */
  title?: string;
  className?: string;
  style?: React.CSSProperties;
}

/** A body drawn from the solver's points: what is near is solid, what is far is lighter. */
export const Drawing = memo(function Drawing({
  figure: f,
  detail = 'plain',
  frame,
  title,
  className,
  style,
}: Props) {
  const id = useId();
  const icon = detail === 'icon';
  const box = frame ?? frameOf([f], icon ? 0.02 : 0.1);
  const view = icon ? square(box) : box;
  const s = bodyShapes(f, icon ? 1.3 : 1);
  const near = { className: 'fig-near' };
  const far = { className: 'fig-far' };
  const floor = svgPoint({ x: 0, y: f.floorY }).y;
  return (
    <svg
      viewBox={`${view.x} ${view.y} ${view.width} ${view.height}`}
      className={`fig ${icon ? 'fig-icon' : ''} ${className ?? ''}`}
      style={style}
      role={title ? 'img' : undefined}
      aria-labelledby={title ? id : undefined}
      aria-hidden={title ? undefined : true}
    >
      {title && <title id={id}>{title}</title>}
      <line className="fig-floor" x1={view.x} x2={view.x + view.width} y1={floor + 0.9} y2={floor + 0.9} />
      {f.props.map((p, i) =>
        isBehind(p) ? <PropShape key={i} prop={p} floorY={f.floorY} H={f.statureM} /> : null,
      )}
      <g {...far} data-part="far arm">
        {s.arms.far.map((d, i) => (
          <path key={i} d={d} />
        ))}
      </g>
      <g {...far} data-part="far leg">
        {s.legs.far.map((d, i) => (
          <path key={i} d={d} />
        ))}
      </g>
      {f.load?.look === 'dumbbell' && f.view === 'side' && (
        <LoadShape look={f.load.look} at={far3(f.load.at, f.statureM)} H={f.statureM} dim />
      )}
      <g {...near} data-part="trunk">
        {s.trunk.map((d, i) => (
          <path key={i} d={d} />
        ))}
        <circle cx={s.head.x} cy={s.head.y} r={s.head.r} />
        {s.nose && <path className="fig-nose" d={s.nose} />}
      </g>
      <g {...near} data-part="near leg">
        {s.legs.near.map((d, i) => (
          <path key={i} d={d} />
        ))}
      </g>
      {f.load && <LoadShape look={f.load.look} at={f.load.at} H={f.statureM} />}
      <g {...near} data-part="near arm">
        {s.arms.near.map((d, i) => (
          <path key={i} d={d} />
        ))}
      </g>
      {f.props.map((p, i) =>
        isBehind(p) ? null : <PropShape key={i} prop={p} floorY={f.floorY} H={f.statureM} />,
      )}
      {!icon && s.joints.map((j, i) => <circle key={i} className="fig-joint" cx={j.x} cy={j.y} r={1.5} />)}
      {detail === 'full' && <Balance figure={f} />}
    </svg>
  );
});

const far3 = (p: Point, H: number): Point => ({ x: p.x + 0.03 * H, y: p.y + 0.01 * H });

/** An icon is square whatever the movement, the figure on its floor in the middle. */
function square(b: Frame): Frame {
  const side = Math.max(b.width, b.height);
  return { x: b.x - (side - b.width) / 2, y: b.y - (side - b.height), width: side, height: side };
}

const isBehind = (p: Prop) => p.kind !== 'strap' && p.kind !== 'band';

function PropShape({ prop: p, floorY, H }: { prop: Prop; floorY: number; H: number }) {
  switch (p.kind) {
    case 'block': {
      const a = svgPoint({ x: p.x0, y: p.y1 });
      const b = svgPoint({ x: p.x1, y: p.y0 });
      return (
        <rect
          className="fig-prop"
          data-what={p.what}
          x={a.x}
          y={a.y}
          width={b.x - a.x}
          height={Math.max(0, b.y - a.y)}
        />
      );
    }
    case 'ball': {
      const c = svgPoint(p.at);
      return <circle className="fig-prop" cx={c.x} cy={c.y} r={100 * p.radius} />;
    }
    case 'wedge': {
      const [heel, toe] = [svgPoint(p.heel), svgPoint(p.toe)];
      return <path className="fig-wedge" d={`M${heel.x} ${heel.y}L${toe.x} ${toe.y}H${heel.x}Z`} />;
    }
    case 'wall': {
      const foot = svgPoint({ x: p.x, y: floorY });
      return <line className="fig-wall" x1={foot.x} x2={foot.x} y1={foot.y} y2={foot.y - 96 * H} />;
    }
    case 'pole': {
      const foot = svgPoint({ x: p.x, y: floorY });
      return (
        <line className="fig-line" x1={foot.x} x2={foot.x} y1={foot.y} y2={svgPoint({ x: 0, y: p.top }).y} />
      );
    }
    case 'strap':
    case 'stick': {
      const [a, b] = [svgPoint(p.from), svgPoint(p.to)];
      return (
        <line className={p.kind === 'stick' ? 'fig-stick' : 'fig-line'} x1={a.x} y1={a.y} x2={b.x} y2={b.y} />
      );
    }
    case 'pad': {
      const [a, b] = [svgPoint(p.from), svgPoint(p.to)];
      const foot = svgPoint({ x: 0, y: floorY }).y;
      const middle = { x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 };
      return (
        <g>
          <line className="fig-line" x1={middle.x} x2={middle.x} y1={middle.y} y2={foot} />
          <line className="fig-pad" x1={a.x} y1={a.y} x2={b.x + 0.01} y2={b.y} />
        </g>
      );
    }
    case 'band': {
      const [a, b] = [svgPoint(p.from), svgPoint(p.to)];
      return <line className="fig-band" x1={a.x} y1={a.y} x2={b.x} y2={b.y} />;
    }
  }
}

function LoadShape({ look, at, H, dim }: { look: LoadLook; at: Point; H: number; dim?: boolean }) {
  const c = svgPoint(at);
  const u = H;
  const className = dim ? 'fig-load fig-dim' : 'fig-load';
  switch (look) {
    case 'bar':
      return (
        <g className={className} data-part="load">
          <circle className="fig-plate" cx={c.x} cy={c.y} r={100 * PLATE_M} />
          <circle cx={c.x} cy={c.y} r={2.6 * u} />
        </g>
      );
    case 'bag':
      return (
        <g className={className} data-part="load">
          <rect x={c.x - 7 * u} y={c.y - 9 * u} width={14 * u} height={18 * u} rx={4 * u} />
        </g>
      );
    case 'stick':
      return (
        <g className={className} data-part="load">
          <circle cx={c.x} cy={c.y} r={2 * u} />
        </g>
      );
    case 'bell':
      return (
        <g className={className} data-part="load">
          <circle cx={c.x} cy={c.y + 1.5 * u} r={6 * u} />
          <path
            className="fig-handle"
            d={`M${c.x - 3.6 * u} ${c.y - 2.5 * u}q${3.6 * u} ${-8 * u} ${7.2 * u} 0`}
          />
        </g>
      );
    case 'dumbbell':
      return (
        <g className={className} data-part="load">
          <rect x={c.x - 8 * u} y={c.y - 1.2 * u} width={16 * u} height={2.4 * u} />
          <rect x={c.x - 9 * u} y={c.y - 4.2 * u} width={5 * u} height={8.4 * u} rx={1} />
          <rect x={c.x + 4 * u} y={c.y - 4.2 * u} width={5 * u} height={8.4 * u} rx={1} />
        </g>
      );
    case 'plate':
      return (
        <g className={className} data-part="load">
          <rect x={c.x - 1.6 * u} y={c.y - 10 * u} width={3.2 * u} height={20 * u} rx={1} />
        </g>
      );
  }
}

/** Line of gravity from the common centre of mass, and what each contact carries as a wedge beneath it. */
function Balance({ figure: f }: { figure: Figure }) {
  const floor = svgPoint({ x: 0, y: f.floorY }).y;
  return (
    <g>
      {f.com && (
        <g data-part="gravity">
          <line
            className="fig-gravity"
            x1={svgPoint(f.com).x}
            x2={svgPoint(f.com).x}
            y1={svgPoint(f.com).y}
            y2={floor + 6}
          />
          <CentreMark {...svgPoint(f.com)} />
        </g>
      )}
      {f.pressure.map((p, i) => {
        const c = svgPoint(p.at);
        // An arrow up to the contact, as long as what it carries, leaning as the ground pushes.
        const head = 1.5 + 3 * Math.sqrt(p.share);
        const length = 3 + 10 * Math.sqrt(p.share);
        const turned = (Math.atan2(p.towards.x, p.towards.y) * 180) / Math.PI;
        return (
          <path
            key={i}
            className="fig-pressure"
            data-part="pressure"
            transform={`translate(${c.x} ${c.y + 1}) rotate(${turned})`}
            d={`M0 0l${head} ${1.5 * head}h${1 - head}V${length}h-2V${1.5 * head}h${1 - head}Z`}
          />
        );
      })}
    </g>
  );
}

function CentreMark({ x, y }: { x: number; y: number }) {
  const r = 3.2;
  return (
    <g>
      <circle className="fig-com" cx={x} cy={y} r={r} />
      <path
        className="fig-com-quarter"
        d={`M${x} ${y}V${y - r}A${r} ${r} 0 0 1 ${x + r} ${y}ZM${x} ${y}V${y + r}A${r} ${r} 0 0 1 ${x - r} ${y}Z`}
      />
    </g>
  );
}
