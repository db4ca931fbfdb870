export { equalsAmong, fitOf } from './availability.ts';
