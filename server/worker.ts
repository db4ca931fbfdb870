import { shelfOf } from '../core/library/index.ts';
import type { Body, HallKit, ShelfInForce } from '../core/library/index.ts';
import { doTask } from './tasks.ts';
import type { Given, TaskName } from './tasks.ts';

/** A state of the library as text in memory that all threads see: each reads it once. */
export interface SharedLibrary {
  key: string;
  text: SharedArrayBuffer;
}
export interface Job<K extends TaskName = TaskName> {
  name: K;
  library: SharedLibrary;
  given: Given<K>;
}

let last: { key: string; inForce: ShelfInForce } | null = null;

function read({ key, text }: SharedLibrary): ShelfInForce {
  if (last?.key === key) return last.inForce;
  // A decoder reads no shared memory: the bytes are copied out first.
  const { state, kit, bodies, hallKit, revisions } = JSON.parse(
    new TextDecoder().decode(new Uint8Array(text).slice()),
  ) as {
    state: number;
    kit: number;
    bodies: Body[];
    hallKit: HallKit;
    revisions: [string, number][];
  };
  last = {
    key,
    inForce: { state, kit, shelf: shelfOf(bodies, hallKit), revisions: new Map(revisions) },
  };
  return last.inForce;
}

/** What a thread of the pool does. */
export default function work({ name, library, given }: Job): Promise<unknown> {
  return doTask(name, read(library), given);
}
