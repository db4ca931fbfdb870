import { expose } from 'comlink';
import * as tf from '@tensorflow/tfjs-core';
import { loadGraphModel } from '@tensorflow/tfjs-converter';
import { setThreadsCount, setWasmPaths } from '@tensorflow/tfjs-backend-wasm';
import plainUrl from '@tensorflow/tfjs-backend-wasm/dist/tfjs-backend-wasm.wasm?url';
import simdUrl from '@tensorflow/tfjs-backend-wasm/dist/tfjs-backend-wasm-simd.wasm?url';
import threadedUrl from '@tensorflow/tfjs-backend-wasm/dist/tfjs-backend-wasm-threaded-simd.wasm?url';
import networkUrl from '../../node_modules/@vladmandic/human/models/movenet-lightning.json?url';
import weightsUrl from '../../node_modules/@vladmandic/human/models/movenet-lightning.bin?url';
import { LANDMARKS, WINDOW, heelLiftCm } from '../../core/track/index.ts';
import type { Grey } from '../../core/track/index.ts';

/** What was found in one frame: places in its own pixels in the order of the landmarks, and how sure each is. */
export interface SeenFrame {
  points: [number, number][];
  scores: number[];
  /** The frame as a picture, its longer side at most so many pixels as are kept. */
  small: Blob;
}

/** Pixels a side that the network looks at. */
const SIDE = 192;
/** Of the seventeen points of the network those that are followed: no eyes and ears. */
const OF_NETWORK = [0, 5, 6, 7, 8, 9, 10, 11, 12, 13, 14, 15, 16] as const;
/** Points surer than this hold the crop. */
const HELD = 0.2;
const CROP = { torso: 1.9, body: 1.2 } as const;
/** Pixels of the longer side of a picture that is kept: enough for a joint or a heel to be placed on it. */
const KEPT_PX = 960;

interface Square {
  x: number;
  y: number;
  side: number;
}

const ready = (async () => {
  setThreadsCount(1);
  setWasmPaths({
    'tfjs-backend-wasm.wasm': plainUrl,
    'tfjs-backend-wasm-simd.wasm': simdUrl,
    'tfjs-backend-wasm-threaded-simd.wasm': threadedUrl,
  });
  await tf.setBackend('wasm');
  await tf.ready();
  return loadGraphModel({
    load: async () => {
      const [network, weights] = await Promise.all([fetch(networkUrl), fetch(weightsUrl)]);
      const said = (await network.json()) as {
        modelTopology: object;
        format: string;
        weightsManifest: { weights: tf.io.WeightsManifestEntry[] }[];
      };
      return {
        modelTopology: said.modelTopology,
        format: said.format,
        weightSpecs: said.weightsManifest.flatMap((m) => m.weights),
        weightData: await weights.arrayBuffer(),
      };
    },
  });
})();

const canvas = new OffscreenCanvas(SIDE, SIDE);
const paper = canvas.getContext('2d', { willReadFrequently: true })!;
let crop: Square | null = null;

const whole = (w: number, h: number): Square => {
  const side = Math.max(w, h);
  return { x: (w - side) / 2, y: (h - side) / 2, side };
};

async function look(frame: ImageBitmap, square: Square): Promise<Pick<SeenFrame, 'points' | 'scores'>> {
  const network = await ready;
  paper.fillStyle = '#000';
  paper.fillRect(0, 0, SIDE, SIDE);
  paper.drawImage(frame, square.x, square.y, square.side, square.side, 0, 0, SIDE, SIDE);
  const image = paper.getImageData(0, 0, SIDE, SIDE);
  const input = tf.tidy(() => tf.expandDims(tf.cast(tf.browser.fromPixels(image), 'int32')));
  const output = network.execute(input) as tf.Tensor;
  const data = await output.data();
  input.dispose();
  output.dispose();
  return {
    points: OF_NETWORK.map((k): [number, number] => [
      square.x + data[3 * k + 1]! * square.side,
      square.y + data[3 * k]! * square.side,
    ]),
    scores: OF_NETWORK.map((k) => data[3 * k + 2]!),
  };
}

/** The square to look at next: the body as it is now, or the whole frame where hips or shoulders are lost. */
function squareFor({ points, scores }: Pick<SeenFrame, 'points' | 'scores'>, w: number, h: number): Square {
  const at = (name: (typeof LANDMARKS)[number]) => LANDMARKS.indexOf(name);
  const held = (i: number) => scores[i]! > HELD;
  const torso = (['left shoulder', 'right shoulder', 'left hip', 'right hip'] as const).map(at);
  const hips = torso.slice(2).filter(held);
  if (hips.length === 0 || !torso.slice(0, 2).some(held)) return whole(w, h);
  const cx = hips.reduce((n, i) => n + points[i]![0], 0) / hips.length;
  const cy = hips.reduce((n, i) => n + points[i]![1], 0) / hips.length;
  const far = (of: readonly number[], axis: 0 | 1) =>
    Math.max(0, ...of.filter(held).map((i) => Math.abs(points[i]![axis] - [cx, cy][axis]!)));
  const all = points.map((_, i) => i);
  const half = Math.max(
    CROP.torso * far(torso, 0),
    CROP.torso * far(torso, 1),
    CROP.body * far(all, 0),
    CROP.body * far(all, 1),
  );
  const most = Math.max(w, h) / 2;
  const side = 2 * Math.min(most, Math.max(half, 8));
  return side >= 2 * most - 1 ? whole(w, h) : { x: cx - side / 2, y: cy - side / 2, side };
}

const cutter = new OffscreenCanvas(WINDOW.width, WINDOW.height);
const scissors = cutter.getContext('2d', { willReadFrequently: true })!;

/** The greys round a place of a picture; all of one grey where there is none. */
function cut(picture: ImageBitmap | null, at: readonly [number, number], scale: number): Grey {
  const { width, height } = WINDOW;
  scissors.fillStyle = '#000';
  scissors.fillRect(0, 0, width, height);
  if (picture)
    scissors.drawImage(
      picture,
      Math.round(width / 2 - scale * at[0]),
      Math.round(height / 2 - scale * at[1]),
    );
  const { data } = scissors.getImageData(0, 0, width, height);
  // Luma of ITU-R BT.601.
  const values = Float32Array.from(
    { length: width * height },
    (_, i) => 0.299 * data[4 * i]! + 0.587 * data[4 * i + 1]! + 0.114 * data[4 * i + 2]!,
  );
  return { width, height, values };
}

const api = {
  /** Loads the network; resolves when it has looked once, for the first time takes several times as long. */
  async warm(): Promise<void> {
    const blank = await createImageBitmap(new ImageData(SIDE, SIDE));
    await look(blank, whole(SIDE, SIDE));
    blank.close();
  },

  /** Somebody else, or another clip: the next frame is looked at whole. */
  anew(): void {
    crop = null;
  },

  /** Where the landmarks of one person are in a frame. The frame is closed. */
  async see(frame: ImageBitmap): Promise<SeenFrame> {
    const { width: w, height: h } = frame;
    if (crop === null) crop = squareFor(await look(frame, whole(w, h)), w, h);
    const found = await look(frame, crop);
    crop = squareFor(found, w, h);
    const scale = Math.min(1, KEPT_PX / Math.max(w, h));
    const small = new OffscreenCanvas(Math.round(scale * w), Math.round(scale * h));
    small.getContext('2d')!.drawImage(frame, 0, 0, small.width, small.height);
    frame.close();
    return { ...found, small: await small.convertToBlob({ type: 'image/jpeg', quality: 0.8 }) };
  },

  /** How far a heel has come up in each picture, centimetres; null: it was not found again. */
  async follow(
    pictures: readonly (Blob | null)[],
    of: {
      /** Of the frames that the points and the scale are of. */
      width: number;
      heel: readonly [number, number];
      still: readonly [number, number] | null;
      /** The picture in which the heel is on the floor. */
      standing: number;
      pxPerM: number;
    },
  ): Promise<(number | null)[]> {
    const heel: Grey[] = [];
    const still: Grey[] = [];
    let scale = 1;
    for (const blob of pictures) {
      const bitmap = blob && (await createImageBitmap(blob));
      if (bitmap) scale = bitmap.width / of.width;
      heel.push(cut(bitmap, of.heel, scale));
      if (of.still) still.push(cut(bitmap, of.still, scale));
      bitmap?.close();
    }
    return heelLiftCm(heel, of.still ? still : null, of.standing, scale * of.pxPerM);
  },
};

export type EyeApi = typeof api;
expose(api);
