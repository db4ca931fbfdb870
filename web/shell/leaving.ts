import { queryClient, send } from './api.ts';

let unsent: () => string | null = () => null;

/** Says what would stay behind on this device; the one who keeps it says so. */
export const warnBeforeSignOut = (of: () => string | null): void => void (unsent = of);

/** Whether somebody may sign out: they are asked where something of theirs has not been sent. */
export function mayLeave(): boolean {
  const warning = unsent();
  return warning === null || confirm(warning);
}

/** Signs out, unless the one who does stays because of what has not been sent. */
export function signOut(): void {
  if (!mayLeave()) return;
  void send('signOut', {}, undefined).then(() => {
    queryClient.clear();
    location.assign('/');
  });
}
