/** Markers over time as motion laboratories exchange them; coordinates in millimetres, y up; null: not found. */
export interface Markers {
  name: string;
  rate: number;
  labels: readonly string[];
  /** By frame, then by marker. */
  frames: readonly (readonly (readonly [x: number, y: number, z: number] | null)[])[];
}

const MOST_FRAMES = 200_000;
const MOST_MARKERS = 200;

const number = (n: number) => String(Math.round(n * 1e5) / 1e5);

/** A TRC file: tab-separated text, five lines of head and one empty line. */
export function trcOf({ name, rate, labels, frames }: Markers): string {
  const head = [
    ['PathFileType', '4', '(X/Y/Z)', name],
    [
      'DataRate',
      'CameraRate',
      'NumFrames',
      'NumMarkers',
      'Units',
      'OrigDataRate',
      'OrigDataStartFrame',
      'OrigNumFrames',
    ],
    [
      number(rate),
      number(rate),
      String(frames.length),
      String(labels.length),
      'mm',
      number(rate),
      '1',
      String(frames.length),
    ],
    ['Frame#', 'Time', ...labels.flatMap((l) => [l, '', ''])],
    ['', '', ...labels.flatMap((_, i) => [`X${i + 1}`, `Y${i + 1}`, `Z${i + 1}`])],
    [''],
  ];
  const rows = frames.map((f, i) => [
    String(i + 1),
    number(i / rate),
    ...f.flatMap((p) => (p ? p.map(number) : ['', '', ''])),
  ]);
  return [...head, ...rows].map((cells) => cells.join('\t')).join('\n') + '\n';
}

/** @throws RangeError with the line that is wrong */
export function readTrc(text: string): Markers {
  const lines = text.split(/\r?\n/);
  const cells = (i: number) => (lines[i] ?? '').split('\t');
  if (cells(0)[0] !== 'PathFileType') throw new RangeError('Line 1: this is no TRC file.');
  const about = new Map(cells(1).map((k, i) => [k.trim(), cells(2)[i]?.trim() ?? '']));
  const rate = Number(about.get('DataRate'));
  if (!(rate > 0)) throw new RangeError('Line 3: a DataRate is missing.');
  const units = about.get('Units') ?? 'mm';
  const scale = { mm: 1, cm: 10, m: 1000 }[units];
  if (scale === undefined) throw new RangeError(`Line 3: units “${units}” are none of mm, cm, m.`);
  const labels = cells(3)
    .slice(2)
    .map((c) => c.trim())
    .filter(Boolean);
  if (labels.length === 0 || labels.length > MOST_MARKERS)
    throw new RangeError(`Line 4: 1 to ${MOST_MARKERS} markers.`);
  const frames: Markers['frames'][number][] = [];
  for (let i = 5; i < lines.length; i++) {
    if (lines[i]!.trim() === '') continue;
    if (frames.length >= MOST_FRAMES) throw new RangeError(`More than ${MOST_FRAMES} frames.`);
    const own = cells(i);
    frames.push(
      labels.map((label, m) => {
        const raw = own.slice(2 + 3 * m, 5 + 3 * m).map((c) => c.trim());
        if (raw.every((c) => c === '')) return null;
        const p = raw.map((c) => (c === '' ? NaN : Number(c) * scale));
        if (raw.length < 3 || p.some((v) => !Number.isFinite(v)))
          throw new RangeError(`Line ${i + 1}: “${label}” has no three numbers.`);
        return [p[0]!, p[1]!, p[2]!] as const;
      }),
    );
  }
  return { name: cells(0)[3]?.trim() ?? '', rate, labels, frames };
}
