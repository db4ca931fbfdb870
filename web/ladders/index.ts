export { Ladders } from './ladders-page.tsx';
export { LadderRoom } from './ladder-room.tsx';
