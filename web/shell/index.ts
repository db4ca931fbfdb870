export { useAddress } from './address.ts';
export {
  ask,
  letterOf,
  queryClient,
  queryOf,
  refresh,
  refreshAfter,
  Refused,
  send,
  sendAs,
  sendLetter,
  Unreachable,
  useAsk,
  useSend,
  useSendTo,
} from './api.ts';
export type { Letter } from './api.ts';
export { Download } from './download.tsx';
export { mayLeave, signOut, warnBeforeSignOut } from './leaving.ts';
export { useLibrary } from './library.ts';
export { PersonSelect, usePeople } from './people.tsx';
export { currentTheme, preferences, setTheme } from './preferences.ts';
export type { Preferences } from './preferences.ts';
export { buildFor, useBuilds } from './use-builds.ts';
export type { NamedBuild } from './use-builds.ts';
export { useLink } from './use-link.ts';
export { Said, SignedIn, useSigned, useUnits, useWritten } from './start.tsx';
export type { Signed } from './start.tsx';
export { HallValues } from './hall-values.tsx';
