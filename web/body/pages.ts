export { BodyRoom } from './room.tsx';
