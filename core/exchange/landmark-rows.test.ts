import { describe, expect, it } from 'vitest';
import { REFERENCE_BUILD } from '../body/index.ts';
import { rangeOf } from '../posture/index.ts';
import { squat } from '../testing/repertoire.ts';
import { truthTrack } from '../track/index.ts';
import {
  TRACK_COLUMNS,
  c3dOf,
  markersOf,
  readC3d,
  readTrc,
  rowsOfTrack,
  trackOfMarkers,
  trackOfRows,
  trcOf,
} from './index.ts';

const mechanics = squat();
const track = truthTrack(
  {
    build: REFERENCE_BUILD,
    mechanics,
    range: rangeOf(REFERENCE_BUILD, mechanics as never),
    tempo: { loweringS: 2, bottomS: 0, risingS: 1, topS: 0 },
    reps: 1,
    view: 'side',
  },
  10,
  { pxPerM: 200, x: 320, y: 430 },
);
const lost = { ...track, points: { ...track.points, 'left wrist': track.timeS.map(() => null) } };

describe('landmarks in files', () => {
  it('come back from rows as they went, and what was not found stays so', () => {
    const back = trackOfRows(TRACK_COLUMNS, rowsOfTrack(lost));
    back.timeS.forEach((t, i) => expect(t).toBeCloseTo(track.timeS[i]!, 3));
    back.points['right knee'].forEach((p, i) => {
      expect(p![0]).toBeCloseTo(track.points['right knee'][i]![0], 1);
      expect(p![1]).toBeCloseTo(track.points['right knee'][i]![1], 1);
    });
    expect(back.points['left wrist'].every((p) => p === null)).toBe(true);
    expect(back.scores['left wrist'].every((s) => s === 0)).toBe(true);
  });

  it('come back from both formats of motion laboratories in millimetres', () => {
    const markers = markersOf(lost, 10, 5);
    for (const read of [readTrc(trcOf(markers)), readC3d(c3dOf(markers, 'flat'))]) {
      const back = trackOfMarkers(read);
      back.points['right hip'].forEach((p, i) => {
        expect(p![0] / 5).toBeCloseTo(track.points['right hip'][i]![0], 1);
        expect(p![1] / 5).toBeCloseTo(track.points['right hip'][i]![1], 1);
      });
      expect(back.points['left wrist'].every((p) => p === null)).toBe(true);
    }
  });

  it('are read with z up, and by other ways of writing a name', () => {
    const back = trackOfMarkers({
      name: 'x',
      rate: 50,
      labels: ['RightKnee', 'Right Ankle', 'T8'],
      frames: [
        [
          [0, 30, 500],
          [0, 10, 80],
          [0, 0, 1200],
        ],
      ],
    });
    expect(back.points['right knee'][0]).toEqual([30, -500]);
    expect(back.points['right ankle'][0]).toEqual([10, -80]);
    expect(back.points.nose[0]).toBeNull();
  });

  it('say what is wrong', () => {
    expect(() => trackOfRows(['x'], [])).toThrow('time_s');
    expect(() => trackOfRows(['time_s'], [])).toThrow('no landmark');
    const head = ['time_s', 'nose_x', 'nose_y'];
    expect(() =>
      trackOfRows(head, [
        ['0', '1', '2'],
        ['0', '1', '2'],
      ]),
    ).toThrow('Row 3: its time');
    expect(() => trackOfRows(head, [['0', 'a', '2']])).toThrow('Row 2: nose_x');
    expect(() => trackOfMarkers({ name: '', rate: 1, labels: ['C7'], frames: [] })).toThrow('No marker');
  });
});
