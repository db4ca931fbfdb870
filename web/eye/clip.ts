import { DRAWN, drawMoment, framingOf } from './drawn-camera.ts';
import { performedS } from '../../core/track/index.ts';
import type { Performed } from '../../core/track/index.ts';

/** One frame of a clip, with the time that the clip itself says. */
export interface Frame {
  timeS: number;
  bitmap: ImageBitmap;
  /** How much of the clip is read, 0 to 1. */
  done: number;
}

/** No more of a clip is looked at, seconds. */
export const LONGEST_S = 300;
/** Frames a second that are looked at: every one up to so many. */
const MOST_RATE = 30;

/** The frames of a file, by their own times and the right way up. @throws RangeError in words */
export async function* framesOf(file: Blob, rate = 15): AsyncGenerator<Frame> {
  const { ALL_FORMATS, BlobSource, Input, VideoSampleSink } = await import('mediabunny');
  const input = new Input({ source: new BlobSource(file), formats: ALL_FORMATS });
  try {
    const track = await input.getPrimaryVideoTrack().catch(() => null);
    if (!track) throw new RangeError('This file has no video that can be read here. MP4, MOV and WebM can.');
    const lengthS = await track.computeDuration();
    if (lengthS > LONGEST_S)
      throw new RangeError(
        `The clip has ${Math.round(lengthS)} s; at most ${LONGEST_S} s are measured. Cut it first.`,
      );
    if (!(typeof VideoDecoder !== 'undefined' && (await track.canDecode()))) {
      yield* framesBySeeking(file, rate);
      return;
    }
    const sink = new VideoSampleSink(track);
    let next = 0;
    for await (const sample of sink.samples()) {
      const timeS = sample.timestamp;
      if (timeS + 1e-6 >= next) {
        next = Math.max(next + 1 / Math.min(rate, MOST_RATE), timeS);
        const canvas = new OffscreenCanvas(sample.displayWidth, sample.displayHeight);
        sample.draw(canvas.getContext('2d')!, 0, 0);
        yield {
          timeS,
          bitmap: canvas.transferToImageBitmap(),
          done: lengthS > 0 ? Math.min(1, timeS / lengthS) : 1,
        };
      }
      sample.close();
    }
  } finally {
    input.dispose();
  }
}

/** The same where the browser only plays the file: it is gone through place by place. */
async function* framesBySeeking(file: Blob, rate: number): AsyncGenerator<Frame> {
  const video = document.createElement('video');
  const url = URL.createObjectURL(file);
  try {
    video.muted = true;
    video.src = url;
    await new Promise<void>((ready, broken) => {
      video.onloadeddata = () => ready();
      video.onerror = () =>
        broken(new RangeError('This clip cannot be played here. Save it as MP4 (H.264) first.'));
    });
    for (let i = 0; (i + 0.5) / rate < video.duration; i++) {
      const timeS = (i + 0.5) / rate;
      await new Promise<void>((there) => {
        video.onseeked = () => there();
        video.currentTime = timeS;
      });
      yield { timeS, bitmap: await createImageBitmap(video), done: timeS / video.duration };
    }
  } finally {
    URL.revokeObjectURL(url);
  }
}

/** The frames of the simulated camera as a clip: each one, as fast as it is looked at. */
export async function* drawnFrames(p: Performed, rate = 15): AsyncGenerator<Frame> {
  const canvas = new OffscreenCanvas(DRAWN.width, DRAWN.height);
  const paper = canvas.getContext('2d')!;
  const framing = framingOf(p);
  const count = Math.floor(performedS(p) * rate);
  for (let i = 0; i <= count; i++) {
    drawMoment(paper, p, framing, i / rate);
    yield { timeS: i / rate, bitmap: await createImageBitmap(canvas), done: i / Math.max(1, count) };
  }
}
