import { TRACK_COLUMNS, c3dOf, markersOf, rowsOfTrack, trcOf } from '../../core/exchange/index.ts';
import type { MeasuredSet } from '../../core/track/index.ts';
import { Button } from '../ui/index.ts';
import type { Recording } from './recorder.ts';

/** Without a scale a pixel goes out as a millimetre; the description says so. */
const NO_SCALE_MM = 1;

function save(name: string, parts: BlobPart[], type: string) {
  const link = document.createElement('a');
  link.href = URL.createObjectURL(new Blob(parts, { type }));
  link.download = name;
  link.click();
  setTimeout(() => URL.revokeObjectURL(link.href), 1000);
}

/** The track of the joints as a file, in the formats of motion laboratories and as rows. */
export function SaveTrack({ set, recording }: { set: MeasuredSet; recording: Recording }) {
  const { track } = recording;
  const mm = set.pxPerM === null ? NO_SCALE_MM : 1000 / set.pxPerM;
  const said = `Flat track of one camera, ${set.view}; z is 0, y is up; ${set.pxPerM === null ? 'a pixel is written as 1 mm' : 'mm in the plane of movement'}`;
  const markers = () => markersOf(track, set.rate, mm);
  return (
    <div className="mt-2 flex flex-wrap items-center gap-2">
      <span className="label">Track as a file</span>
      <Button onClick={() => save('track.trc', [trcOf(markers())], 'text/plain')}>TRC</Button>
      <Button
        onClick={() =>
          save('track.c3d', [c3dOf(markers(), said) as Uint8Array<ArrayBuffer>], 'application/octet-stream')
        }
      >
        C3D
      </Button>
      <Button
        onClick={() =>
          save(
            'track.csv',
            [[TRACK_COLUMNS, ...rowsOfTrack(track)].map((r) => r.join(',')).join('\n') + '\n'],
            'text/csv',
          )
        }
      >
        CSV
      </Button>
      <Button
        onClick={() =>
          save(
            'track.json',
            [
              JSON.stringify({
                format: 'meister-track',
                version: 1,
                view: set.view,
                rate: set.rate,
                pxPerM: set.pxPerM,
                columns: TRACK_COLUMNS,
                rows: rowsOfTrack(track).map((r) => r.map((c) => (c === '' ? null : Number(c)))),
              }),
            ],
            'application/json',
          )
        }
      >
        JSON
      </Button>
    </div>
  );
}
