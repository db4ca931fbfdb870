type Asker = () => Promise<boolean>;
let asker: Asker | null = null;

/** Who asks for the password again; gives back how to take it away. */
export function askedBy(ask: Asker): () => void {
  asker = ask;
  return () => {
    if (asker === ask) asker = null;
  };
}

/** Asks for the password again; false where it was not given, or nobody can ask. */
export const askAgain = (): Promise<boolean> => asker?.() ?? Promise.resolve(false);
