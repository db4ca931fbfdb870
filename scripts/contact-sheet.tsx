import { readFileSync } from 'node:fs';
import { createElement } from 'react';
import { renderToStaticMarkup } from 'react-dom/server';
import { buildOf } from '../core/body/index.ts';
import type { SettledMechanics } from '../core/posture/index.ts';
import { figureAt, isComputed, rangeOf } from '../core/posture/index.ts';
import { Drawing, frameOf } from '../web/figure/index.ts';

interface Pictured {
  name: string;
  pattern: string;
  mechanics: SettledMechanics;
}

/** Movements as one page: start and working position and the 32-pixel picture of each. */
export function contactSheet(movements: readonly Pictured[], print: boolean): string {
  const build = buildOf({ statureM: 1.72, massKg: 72 });
  const css = readFileSync(new URL('../web/styles.css', import.meta.url), 'utf8').replace(
    /@import[^;]+;/g,
    '',
  );
  const cards = movements.map((m) => {
    const range = isComputed(m.mechanics) ? rangeOf(build, m.mechanics) : null;
    const [start, working] = [0, 1].map((at) => figureAt(build, m.mechanics, range, at));
    const frame = frameOf([start!, working!]);
    const look = `fig-${m.pattern} ${print ? 'fig-print' : ''}`;
    const style = { width: `${frame.width * 0.62}px` };
    return (
      <figure key={m.name}>
        <div className="pair">
          <Drawing figure={start!} frame={frame} className={look} style={style} />
          <Drawing figure={working!} frame={frame} detail="full" className={look} style={style} />
        </div>
        <figcaption>
          <Drawing figure={working!} detail="icon" className={look} style={{ width: '32px' }} />
          {m.name}
          {m.mechanics.type === 'drawn' ? ' *' : ''}
        </figcaption>
      </figure>
    );
  });
  const page = renderToStaticMarkup(createElement('main', null, cards));
  return `<!doctype html><meta charset="utf-8"><title>Figures</title><style>${css}
    body { background: ${print ? '#fff' : 'var(--paper)'}; margin: 12px; font: 13px sans-serif; color: ${print ? '#000' : 'var(--ink)'}; }
    main { display: flex; flex-wrap: wrap; gap: 14px 18px; align-items: flex-end; }
    figure { margin: 0; border-top: 1px solid var(--rule); padding-top: 6px; }
    .pair { display: flex; gap: 6px; align-items: flex-end; }
    figcaption { display: flex; gap: 8px; align-items: center; }
  </style>${page}`;
}
