/** Builds interface and server when anything they are made of has changed. */
export function ensureBuilt(): void;
