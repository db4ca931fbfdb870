export { KitRoom } from './room.tsx';
