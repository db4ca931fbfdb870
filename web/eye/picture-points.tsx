import { useState } from 'react';
import type { ReactNode } from 'react';
import { LANDMARKS, PLACED, anglesOfPicture } from '../../core/track/index.ts';
import type { Landmark, Placed } from '../../core/track/index.ts';
import type { RangeMethod } from '../../core/body/index.ts';
import type { Side } from '../../core/terms/index.ts';
import { SIDES } from '../../core/terms/index.ts';
import { refreshAfter, send, queryClient } from '../shell/index.ts';
import { Button, Notice, Segmented, SelectField, tidy } from '../ui/index.ts';
import { FilePick } from './file-pick.tsx';
import { Loupe, PointedPicture } from './pointed-picture.tsx';
import type { Eye } from '../workers/index.ts';

/** Where the points lie on a picture. */
export type PlacedAt = Partial<Record<Placed, readonly [number, number]>>;

const FROM_NETWORK: Partial<Record<Placed, (side: Side) => Landmark>> = {
  shoulder: (s) => `${s} shoulder`,
  hip: (s) => `${s} hip`,
  knee: (s) => `${s} knee`,
  ankle: (s) => `${s} ankle`,
};
const MOST_PX = 2400;

/** A still picture: joints placed by hand, with a loupe and by keys; from the network's points where it finds some. */
export function PicturePoints({
  eye,
  lying,
  at,
  onAt,
  children,
}: {
  eye: Eye;
  /** Somebody who lies is not found as surely. */
  lying: boolean;
  at: PlacedAt;
  onAt: (at: PlacedAt) => void;
  /** Beneath what the picture shows. */
  children?: ReactNode;
}) {
  const [picture, setPicture] = useState<{
    url: string;
    width: number;
    height: number;
    bitmap: ImageBitmap;
  } | null>(null);
  const [placing, setPlacing] = useState<Placed>('hip');
  const [problem, setProblem] = useState<string | null>(null);
  const open = async (file: Blob) => {
    try {
      const bitmap = await createImageBitmap(file);
      if (Math.max(bitmap.width, bitmap.height) > 4 * MOST_PX)
        throw new RangeError('The picture is too large.');
      if (picture) URL.revokeObjectURL(picture.url);
      setPicture({ url: URL.createObjectURL(file), width: bitmap.width, height: bitmap.height, bitmap });
      onAt({});
      setPlacing('hip');
      setProblem(null);
    } catch {
      setProblem('This picture cannot be opened here. JPEG, PNG and WebP can.');
    }
  };
  const find = async () => {
    if (!picture) return;
    try {
      await eye.wake();
      await eye.anew();
      const seen = await eye.see(await createImageBitmap(picture.bitmap));
      const score = (k: Landmark) => seen.scores[LANDMARKS.indexOf(k)]!;
      const side: Side =
        score('left hip') + score('left knee') > score('right hip') + score('right knee') ? 'left' : 'right';
      const found = Object.fromEntries(
        PLACED.flatMap((p) => {
          const k = FROM_NETWORK[p]?.(side);
          return k && score(k) >= 0.3 ? [[p, seen.points[LANDMARKS.indexOf(k)]!]] : [];
        }),
      ) as PlacedAt;
      onAt({ ...found, ...at });
      setProblem(Object.keys(found).length === 0 ? 'Nobody was found: place the joints by hand.' : null);
    } catch {
      setProblem('What finds a person could not be loaded: place the joints by hand.');
    }
  };
  const angles = anglesOfPicture(at);
  const here = at[placing];
  return (
    <section aria-label="Picture with points">
      <FilePick label="Picture (JPEG, PNG, WebP)" accept="image/*" onFile={(f) => void open(f)} />
      {problem && <Notice tone="warn">{problem}</Notice>}
      {picture && (
        <div className="mt-3 grid gap-4 lg:grid-cols-[1fr_22rem]">
          <div>
            <PointedPicture
              url={picture.url}
              width={picture.width}
              height={picture.height}
              at={at}
              placing={placing}
              names={PLACED}
              onPlace={(p) => onAt({ ...at, [placing]: p })}
            >
              {(['shoulder', 'hip', 'knee', 'ankle', 'toe'] as const).flatMap((k, i, all) => {
                const [a, b] = [at[k], i > 0 ? at[all[i - 1]!] : undefined];
                return a && b ? (
                  <line
                    key={k}
                    x1={b[0]}
                    y1={b[1]}
                    x2={a[0]}
                    y2={a[1]}
                    stroke="#fff"
                    strokeWidth={picture.width / 200}
                  />
                ) : (
                  []
                );
              })}
            </PointedPicture>
          </div>
          <div>
            <Segmented label="Place" floor options={PLACED} value={placing} onPick={setPlacing}>
              {(p) => (at[p] ? `${p} ✓` : p)}
            </Segmented>
            <div className="mt-2 flex flex-wrap gap-2">
              <Button onClick={() => void find()}>
                {eye.state === 'loading' ? 'Looking …' : 'Find them for me'}
              </Button>
              <Button tone="quiet" onClick={() => onAt({})}>
                All away
              </Button>
            </div>
            {here && <Loupe {...picture} here={here} />}
            <h3 className="mt-3">What it shows</h3>
            {angles.length === 0 && <p className="text-soft">Place hip, knee and ankle to begin with.</p>}
            <dl className="grid grid-cols-[1fr_auto] gap-x-3">
              {angles.map((a) => (
                <div key={a.name} className="col-span-2 grid grid-cols-subgrid border-b border-rule py-1">
                  <dt>{a.name}</dt>
                  <dd className="tabular-nums">
                    {tidy(a.value, 0)}
                    {a.unit === '°' ? '°' : ` ${a.unit}`} ± {tidy(a.band, 1)}
                  </dd>
                </div>
              ))}
            </dl>
            <p className="mt-1 text-sm text-soft">
              Arrow keys move the point by a pixel, with Shift by ten.{' '}
              {lying ? 'Lying, this is the surer way.' : ''}
            </p>
            {children}
          </div>
        </div>
      )}
    </section>
  );
}

/** Tests of range that a picture gives: which of its angles, and how it is done. */
const TESTS = {
  'ankle angle': ['Shin from upright', 'ankle: knee to the wall, the shin’s lean with the heel down'],
  'hip angle': ['Hip from the straight line', 'hip: knee to the chest, how far the hip bends'],
  'straight-leg raise': ['Leg above level', 'back of thigh: lying, the straight leg raised'],
  'leg hanging': ['Thigh below level', 'front of hip: lying, the leg hanging over the end of a bench'],
} as const satisfies Partial<Record<RangeMethod, readonly [angle: string, words: string]>>;
type ByPicture = keyof typeof TESTS;

/** An angle of the picture kept as a test of range, beside those taken with a tape. */
export function KeepAsRange({ at, hold }: { at: PlacedAt; hold: { personId: string; date: string } }) {
  const [method, setMethod] = useState<ByPicture>('ankle angle');
  const [side, setSide] = useState<Side>('left');
  const [said, setSaid] = useState<string | null>(null);
  const angles = anglesOfPicture(at);
  const named = angles.find((a) => a.name === TESTS[method][0]);
  const keep = async () => {
    if (!named) return;
    try {
      await send(
        'addRangeTest',
        { person: hold.personId },
        { date: hold.date, method, side, value: Math.round(named.value) },
      );
      await refreshAfter(queryClient, 'addRangeTest', { person: hold.personId });
      setSaid(`Kept: ${method} ${Math.round(named.value)}°, ${side}.`);
    } catch (error) {
      setSaid(error instanceof Error ? error.message : 'It could not be kept. Try again.');
    }
  };
  return (
    <details className="mt-3">
      <summary className="min-h-11 content-center font-semibold">Keep it as a test of range</summary>
      <SelectField label="Test" value={method} onChange={(e) => setMethod(e.target.value as ByPicture)}>
        {(Object.keys(TESTS) as ByPicture[]).map((t) => (
          <option key={t} value={t}>
            {TESTS[t][1]}
          </option>
        ))}
      </SelectField>
      <Segmented label="Side" named options={SIDES} value={side} onPick={setSide}>
        {(s) => s}
      </Segmented>
      <Button className="mt-2" disabled={!named} onClick={() => void keep()}>
        {named ? `Keep ${Math.round(named.value)}° ± ${tidy(named.band, 1)}` : 'Place the points first'}
      </Button>
      {said && <p role="status">{said}</p>}
    </details>
  );
}
