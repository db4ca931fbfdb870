export { accessRoutes, readMe } from './routes.ts';
export { hashPassword } from './passwords.ts';
export { closeAllSessions } from './sign-in.ts';
export { devicesOf, knowDevice, onItsDevice } from './links.ts';
export { hashOfToken, linkState, newToken } from './tokens.ts';
