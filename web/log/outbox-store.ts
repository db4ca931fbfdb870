import { openDB } from 'idb';
import type { DBSchema, IDBPDatabase } from 'idb';
import type { SetRequest } from '../../contract/log.ts';
import { ask, Refused, sendAs, sendLetter } from '../shell/index.ts';
import type { Letter } from '../shell/index.ts';

/** Something else than a set that is sent when the server can be reached: what came of a cue, the questions before work. */
export interface Errand extends Letter {
  /** What it is, for the list of what is not sent. */
  words: string;
}

/** The newest thing done to one set on this tablet, or an errand. */
export interface Parcel {
  id: string;
  personId: string;
  /** null: the set was deleted. */
  set: SetRequest | null;
  edit: number;
  state: 'waiting' | 'sent' | 'refused';
  /** When the server had it, by the server's clock. */
  receivedAt: string | null;
  error: string | null;
  /** Set and edit mean nothing then. */
  errand?: Errand;
  /** Decisions that had stood on the set as it was. */
  flaggedMoves?: number;
  /** Who did it: it goes out as theirs alone. Absent: kept by a version that did not say. */
  by?: { id: string; name: string };
}

interface Schema extends DBSchema {
  parcels: { key: string; value: Parcel };
  server: { key: 'boot'; value: string };
}

let opened: Promise<IDBPDatabase<Schema>> | null = null;
const store = () =>
  (opened ??= openDB<Schema>('meister-outbox', 1, {
    upgrade: (db) => {
      db.createObjectStore('parcels', { keyPath: 'id' });
      db.createObjectStore('server');
    },
  }));

let me: Parcel['by'];
const mine = (p: Parcel) => p.by === undefined || p.by.id === me?.id;
const stamp = () => (me ? { by: me } : {});

let parcels: readonly Parcel[] = [];
const listeners = new Set<() => void>();

async function refresh(): Promise<void> {
  parcels = await (await store()).getAll('parcels');
  listeners.forEach((l) => l());
}

export const outbox = {
  subscribe: (listener: () => void): (() => void) => {
    listeners.add(listener);
    return () => listeners.delete(listener);
  },
  /** Everything kept on this tablet; the same array until something changes. */
  current: () => parcels,

  /** Whose parcels are kept and sent from now on. */
  signedInAs(who: { id: string; name: string } | undefined): void {
    me = who && { id: who.id, name: who.name };
  },

  /** Keeps the parcel on the tablet first and then tries to send it. */
  async put(parcel: Pick<Parcel, 'id' | 'personId' | 'set' | 'edit'>): Promise<void> {
    await (
      await store()
    ).put('parcels', {
      ...parcel,
      ...stamp(),
      state: 'waiting',
      receivedAt: null,
      error: null,
    });
    await refresh();
    void this.flush();
  },

  /** Keeps an errand and tries to send it; a newer one of the same id takes its place. */
  async run(id: string, personId: string, errand: Errand): Promise<void> {
    const waiting = { state: 'waiting' as const, receivedAt: null, error: null };
    await (
      await store()
    ).put('parcels', { id, personId, set: null, edit: Date.now(), errand, ...waiting, ...stamp() });
    await refresh();
    void this.flush();
  },

  /** Has seen that a decision stood on the set. */
  async seen(id: string): Promise<void> {
    const db = await store();
    const parcel = await db.get('parcels', id);
    if (parcel) await db.put('parcels', { ...parcel, flaggedMoves: 0 });
    await refresh();
  },

  /** Gives up on a set that the server refuses. */
  async discard(id: string): Promise<void> {
    await (await store()).delete('parcels', id);
    await refresh();
  },

  /**
   * Nothing of this person stays here any more.
   * @param sentBefore only what was sent before this instant, or refused; absent: all of it
   */
  async forget(personId: string, sentBefore?: string): Promise<void> {
    const db = await store();
    for (const p of await db.getAll('parcels'))
      if (
        p.personId === personId &&
        (sentBefore === undefined || (p.receivedAt !== null && p.receivedAt < sentBefore))
      )
        await db.delete('parcels', p.id);
    await refresh();
  },

  /** Sends what waits, one tab at a time; what cannot be sent goes on waiting. */
  async flush(): Promise<void> {
    await navigator.locks.request('meister-outbox', async () => {
      await refresh();
      for (const parcel of parcels.filter((p) => p.state === 'waiting' && mine(p))) {
        if (!(await deliver(parcel))) break;
      }
      await refresh();
    });
  },

  /**
   * Asks the server how far its snapshots reach. Sets they cover are dropped here; after the server
   * has started anew, those they do not cover are sent again, since a power cut may have lost them.
   */
  async check(): Promise<void> {
    await refresh();
    if (parcels.length === 0) return;
    const beat = await ask('heartbeat');
    const db = await store();
    const lastBoot = await db.get('server', 'boot');
    for (const parcel of parcels.filter((p) => p.state === 'sent')) {
      if (beat.snapshotAt !== null && parcel.receivedAt! < beat.snapshotAt) {
        // What a coach has still to look at stays until they have.
        if (!parcel.flaggedMoves) await db.delete('parcels', parcel.id);
      } else if (lastBoot !== undefined && lastBoot !== beat.boot) {
        await db.put('parcels', { ...parcel, state: 'waiting' });
      }
    }
    await db.put('server', beat.boot, 'boot');
    await this.flush();
  },
};

/** False when the server cannot be reached or nobody is signed in: trying the next makes no sense. */
async function deliver(parcel: Parcel): Promise<boolean> {
  const db = await store();
  try {
    const { id, edit, errand } = parcel;
    const as = parcel.by?.id;
    const result = errand
      ? { ...(await sendLetter(errand, as)), flaggedMoves: [] }
      : parcel.set
        ? await sendAs(as, 'keepSet', { id }, parcel.set)
        : await sendAs(as, 'deleteSet', { id }, { edit });
    await keepUnlessNewer(
      { ...parcel, flaggedMoves: (parcel.flaggedMoves ?? 0) + result.flaggedMoves.length },
      { state: 'sent', receivedAt: result.receivedAt, error: null },
    );
    return true;
  } catch (error) {
    if (!(error instanceof Refused) || error.problem.status === 401 || error.problem.status >= 500)
      return false;
    await keepUnlessNewer(parcel, { state: 'refused', receivedAt: null, error: error.message });
    return true;
  }

  async function keepUnlessNewer(sent: Parcel, outcome: Pick<Parcel, 'state' | 'receivedAt' | 'error'>) {
    const tx = db.transaction('parcels', 'readwrite');
    const now = await tx.store.get(sent.id);
    // Corrected while it was on its way: the correction still has to be sent.
    if (now?.edit === sent.edit) await tx.store.put({ ...sent, ...outcome });
    await tx.done;
  }
}
