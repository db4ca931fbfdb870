export const CHROMIUM_PACKAGES: string[];
/** The path of a Chromium, `CHROMIUM` before all others; null where there is none. */
export function findChromium(): string | null;
export const CHROMIUM_FLAGS: string[];
