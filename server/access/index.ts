export { accessRoutes, readMe } from './routes.ts';
export { hashPassword } from './passwords.ts';
export { closeAllSessions, isSure, LASTING } from './sessions.ts';
export type { Lasting, Session } from './sessions.ts';
export { refuseCommon } from './common.ts';
export { allowedHosts, isLoopback, ownAddress } from './hosts.ts';
export { devicesOf, knowDevice, onItsDevice } from './links.ts';
export { hashOfToken, linkState, newToken } from './tokens.ts';
