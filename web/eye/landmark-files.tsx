import { readC3d, readTrc, trackOfMarkers, trackOfRows } from '../../core/exchange/index.ts';
import type { Track } from '../../core/track/index.ts';
import { FilePick } from './file-pick.tsx';
import { noRecording } from './recorder.ts';
import type { Recording } from './recorder.ts';

const MOST_BYTES = 40_000_000;

/** @throws RangeError in words */
async function trackOfFile(file: File): Promise<Track> {
  if (file.size > MOST_BYTES) throw new RangeError('The file is larger than 40 MB. Cut it first.');
  const ending = file.name.split('.').at(-1)?.toLowerCase();
  if (ending === 'trc') return trackOfMarkers(readTrc(await file.text()));
  if (ending === 'c3d') return trackOfMarkers(readC3d(new Uint8Array(await file.arrayBuffer())));
  if (ending === 'json') {
    const said = JSON.parse(await file.text()) as { columns?: unknown; rows?: unknown };
    if (!Array.isArray(said.columns) || !Array.isArray(said.rows))
      throw new RangeError('The JSON has no columns and rows, as this page writes them.');
    return trackOfRows(
      said.columns.map(String),
      said.rows.map((r: unknown) => (Array.isArray(r) ? r.map((c) => (c === null ? '' : String(c))) : [])),
    );
  }
  if (ending === 'csv') {
    const { default: Papa } = await import('papaparse');
    const { data } = Papa.parse<string[]>(await file.text(), { skipEmptyLines: true });
    return trackOfRows(data[0] ?? [], data.slice(1));
  }
  throw new RangeError('Landmark files end in .trc, .c3d, .csv or .json.');
}

/** Landmarks that another program or laboratory has found. */
export function LandmarkFiles({
  onRead,
  onProblem,
}: {
  onRead: (r: Recording) => void;
  onProblem: (words: string | null) => void;
}) {
  const read = async (file: File) => {
    try {
      const track = await trackOfFile(file);
      const size = noRecording();
      onProblem(null);
      onRead({ ...size, track, pictures: track.timeS.map(() => null) });
    } catch (error) {
      onProblem(
        error instanceof RangeError
          ? `${file.name}: ${error.message} Nothing was read.`
          : `${file.name} cannot be read. Nothing was read.`,
      );
    }
  };
  return (
    <>
      <FilePick label="TRC, C3D, CSV or JSON" accept=".trc,.c3d,.csv,.json" onFile={(f) => void read(f)} />
      <p className="mt-1 text-soft">
        Markers are known by names like left_hip, right_knee, nose; others are left out. Flat tracks and those
        of a laboratory are both read from the side.
      </p>
    </>
  );
}
