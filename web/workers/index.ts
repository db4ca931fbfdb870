export { useSpread } from './use-spread.ts';
