import type { Markers } from './trc.ts';

/** Blocks of a C3D file; processor byte of little-endian numbers. */
const BLOCK = 512;
const LITTLE = 84;
const KEY = 0x50;
/** Frame numbers are two bytes. */
export const MOST_C3D_FRAMES = 65_535;
const MOST_POINTS = 255;
const MISSING = -1;

interface Param {
  name: string;
  type: -1 | 2 | 4;
  dims: readonly number[];
  data: readonly number[] | string;
}

/** Writes bytes one after another. */
class Bytes {
  private readonly list: number[] = [];
  get length(): number {
    return this.list.length;
  }
  u8(...v: number[]): this {
    this.list.push(...v.map((n) => n & 0xff));
    return this;
  }
  i16(v: number): this {
    return this.u8(v, v >> 8);
  }
  f32(v: number): this {
    return this.u8(...new Uint8Array(new Float32Array([v]).buffer));
  }
  text(s: string): this {
    return this.u8(...[...s].map((c) => c.charCodeAt(0)));
  }
  padTo(n: number): this {
    while (this.list.length < n) this.list.push(0);
    return this;
  }
  done(): Uint8Array {
    return Uint8Array.from(this.list);
  }
}

/** What stands in a text parameter is plain ASCII. */
const ascii = (s: string) => s.normalize('NFKD').replace(/[^\x20-\x7e]/g, '');

/**
 * A C3D file of points in millimetres as floating-point numbers.
 * @param description stands with every point, e.g. that the track is flat
 * @throws RangeError for more frames or points than the format counts
 */
export function c3dOf({ rate, labels, frames }: Markers, description: string): Uint8Array {
  if (frames.length === 0 || frames.length > MOST_C3D_FRAMES)
    throw new RangeError(`A C3D file holds 1 to ${MOST_C3D_FRAMES} frames: split it.`);
  if (labels.length === 0 || labels.length > MOST_POINTS) throw new RangeError(`1 to ${MOST_POINTS} points.`);
  const names = labels.map(ascii);
  const width = Math.max(1, ...names.map((n) => n.length));
  const told = ascii(description).slice(0, 127);
  const padded = (list: readonly string[], w: number) => list.map((s) => s.padEnd(w)).join('');
  const groups: { name: string; params: Param[] }[] = [
    {
      name: 'POINT',
      params: [
        { name: 'USED', type: 2, dims: [], data: [labels.length] },
        { name: 'SCALE', type: 4, dims: [], data: [-1] },
        { name: 'RATE', type: 4, dims: [], data: [rate] },
        { name: 'FRAMES', type: 2, dims: [], data: [frames.length] },
        { name: 'DATA_START', type: 2, dims: [], data: [0] },
        { name: 'UNITS', type: -1, dims: [2], data: 'mm' },
        { name: 'LABELS', type: -1, dims: [width, labels.length], data: padded(names, width) },
        {
          name: 'DESCRIPTIONS',
          type: -1,
          dims: [Math.max(1, told.length), labels.length],
          data: padded(
            labels.map(() => told),
            Math.max(1, told.length),
          ),
        },
      ],
    },
    { name: 'ANALOG', params: [{ name: 'USED', type: 2, dims: [], data: [0] }] },
  ];
  // The parameters say where the data begin, and how long they are themselves: written twice.
  const first = parameters(groups, 0, 0);
  const blocks = Math.ceil(first.length / BLOCK);
  const start = 2 + blocks;
  const params = parameters(groups, blocks, start);
  const head = new Bytes()
    .u8(2, KEY)
    .i16(labels.length)
    .i16(0)
    .i16(1)
    .i16(frames.length)
    .i16(0)
    .f32(-1)
    .i16(start)
    .i16(0)
    .f32(rate)
    .padTo(BLOCK)
    .done();
  const data = new Float32Array(frames.length * labels.length * 4);
  frames.forEach((f, i) =>
    labels.forEach((_, m) => {
      const at = 4 * (i * labels.length + m);
      const p = f[m];
      if (p) data.set([p[0], p[1], p[2], 0], at);
      else data.set([0, 0, 0, MISSING], at);
    }),
  );
  const whole = Math.ceil(data.byteLength / BLOCK) * BLOCK;
  const out = new Uint8Array(BLOCK * (1 + blocks) + whole);
  out.set(head, 0);
  out.set(params, BLOCK);
  out.set(new Uint8Array(data.buffer), BLOCK * (1 + blocks));
  return out;
}

function parameters(
  groups: readonly { name: string; params: readonly Param[] }[],
  blocks: number,
  start: number,
): Uint8Array {
  const out = new Bytes().u8(1, KEY, blocks, LITTLE);
  groups.forEach(({ name, params }, g) => {
    out
      .u8(name.length, -(g + 1))
      .text(name)
      .i16(3)
      .u8(0);
    for (const p of params) {
      const body = new Bytes().u8(p.type, p.dims.length, ...p.dims);
      const data = p.name === 'DATA_START' ? [start] : p.data;
      if (typeof data === 'string') body.text(data);
      else
        for (const v of data)
          if (p.type === 4) body.f32(v);
          else body.i16(v);
      body.u8(0);
      out
        .u8(p.name.length, g + 1)
        .text(p.name)
        .i16(2 + body.length)
        .u8(...body.done());
    }
  });
  out.u8(0, 0);
  return out.padTo(Math.max(1, Math.ceil(out.length / BLOCK)) * BLOCK).done();
}

/**
 * Points of a C3D file with little-endian numbers, as floating-point or whole ones.
 * @throws RangeError for anything else, and for a file that ends too soon
 */
export function readC3d(bytes: Uint8Array): Markers {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  if (bytes.length < 2 * BLOCK || view.getUint8(1) !== KEY) throw new RangeError('This is no C3D file.');
  const at = (view.getUint8(0) - 1) * BLOCK;
  if (at + 4 > bytes.length || view.getUint8(at + 3) !== LITTLE)
    throw new RangeError('Only C3D files with little-endian numbers are read.');
  const params = readParameters(view, at + 4);
  const points = view.getUint16(2, true);
  const analog = view.getUint16(4, true);
  const frames = view.getUint16(8, true) - view.getUint16(6, true) + 1;
  const scale = view.getFloat32(12, true);
  const start = (view.getUint16(16, true) - 1) * BLOCK;
  const rate = view.getFloat32(20, true);
  if (points === 0 || frames < 1 || !(rate > 0)) throw new RangeError('The file has no points.');
  const size = scale < 0 ? 4 : 2;
  const each = (4 * points + analog) * size;
  if (start + frames * each > bytes.length) throw new RangeError('The file ends before its last frame.');
  const value = (i: number) => (size === 4 ? view.getFloat32(i, true) : view.getInt16(i, true));
  const unit = params.text('POINT', 'UNITS')?.trim() ?? 'mm';
  const mm = { mm: 1, cm: 10, m: 1000 }[unit];
  if (mm === undefined) throw new RangeError(`Units “${unit}” are none of mm, cm, m.`);
  const labels = params.texts('POINT', 'LABELS').map((s) => s.trim());
  return {
    name: '',
    rate,
    labels: Array.from({ length: points }, (_, i) => labels[i] || `point ${i + 1}`),
    frames: Array.from({ length: frames }, (_, f) =>
      Array.from({ length: points }, (_, m) => {
        const i = start + f * each + 4 * m * size;
        if (value(i + 3 * size) < 0) return null;
        const of = (k: number) => value(i + k * size) * (size === 2 ? scale : 1) * mm;
        return [of(0), of(1), of(2)] as const;
      }),
    ),
  };
}

function readParameters(view: DataView, from: number) {
  const groups = new Map<number, string>();
  const found: { group: number; name: string; type: number; dims: number[]; at: number }[] = [];
  const ascii1 = (at: number, n: number) =>
    Array.from({ length: n }, (_, i) => String.fromCharCode(view.getUint8(at + i))).join('');
  try {
    for (let at = from; ;) {
      // A locked name has a negative length.
      const n = Math.abs(view.getInt8(at));
      const id = view.getInt8(at + 1);
      if (n === 0 || id === 0) break;
      const name = ascii1(at + 2, n).toUpperCase();
      const offset = view.getInt16(at + 2 + n, true);
      if (id < 0) groups.set(-id, name);
      else {
        const body = at + 4 + n;
        const count = view.getUint8(body + 1);
        const dims = Array.from({ length: count }, (_, i) => view.getUint8(body + 2 + i));
        found.push({ group: id, name, type: view.getInt8(body), dims, at: body + 2 + count });
      }
      if (offset <= 0) break;
      at = at + 2 + n + offset;
    }
  } catch {
    throw new RangeError('The parameters of the file end too soon.');
  }
  const param = (group: string, name: string) =>
    found.find((p) => p.name === name && groups.get(p.group) === group && p.type === -1);
  const texts = (group: string, name: string): string[] => {
    const p = param(group, name);
    if (!p) return [];
    const [width = 1, count = 1] = p.dims;
    if (p.at + width * count > view.byteLength)
      throw new RangeError('The parameters of the file end too soon.');
    return Array.from({ length: count }, (_, i) => ascii1(p.at + i * width, width));
  };
  return { texts, text: (group: string, name: string) => texts(group, name)[0] };
}
