/** So many answers are kept; the oldest go. */
const MOST_KEPT = 5_000;

interface Kept {
  /** What it was made from. */
  of: string;
  value: Promise<unknown>;
}

/**
 * What was put together about one person, kept until something of theirs, of everybody, the library or the day changes.
 * Many who ask at once wait for one computation. Of this process: one server works on a hall.
 */
export class PersonMemo {
  private everybody = 0;
  private readonly own = new Map<string, number>();
  private readonly kept = new Map<string, Kept>();

  /** Called once the change is in the database. @param personId null: it may be anybody's */
  changed(personId: string | null): void {
    if (personId === null) this.everybody++;
    else this.own.set(personId, (this.own.get(personId) ?? 0) + 1);
  }

  /**
   * @param what a word for what is put together
   * @param state of all that it is made from besides the person: library and day
   * @param make puts it together for those of whom it is not at hand
   * @returns by person, in the order of the ids
   */
  async of<T>(
    what: string,
    state: string,
    ids: readonly string[],
    make: (missing: string[]) => Promise<ReadonlyMap<string, T>>,
  ): Promise<Map<string, T>> {
    // Read before anything is asked of the database: what changes meanwhile makes the answer an old one.
    const madeFrom = (id: string) => `${state} ${this.everybody} ${this.own.get(id) ?? 0}`;
    const missing = ids.filter((id) => this.kept.get(`${what} ${id}`)?.of !== madeFrom(id));
    const values = new Map(ids.map((id) => [id, this.kept.get(`${what} ${id}`)?.value]));
    if (missing.length > 0) {
      const from = new Map(missing.map((id) => [id, madeFrom(id)]));
      const made = make(missing);
      for (const id of missing) {
        const key = `${what} ${id}`;
        const entry: Kept = { of: from.get(id)!, value: made.then((all) => all.get(id)) };
        // What failed is tried anew by the next who asks.
        entry.value.catch(() => this.kept.get(key) === entry && this.kept.delete(key));
        this.kept.delete(key);
        this.kept.set(key, entry);
        values.set(id, entry.value);
      }
      await made;
    }
    const found = new Map<string, T>();
    // Not read from what is kept: another who asks may have pushed it out meanwhile.
    for (const [id, kept] of values) {
      const value = (await kept) as T | undefined;
      if (value !== undefined) found.set(id, value);
    }
    for (const key of this.kept.keys()) {
      if (this.kept.size <= MOST_KEPT) break;
      this.kept.delete(key);
    }
    return found;
  }
}
