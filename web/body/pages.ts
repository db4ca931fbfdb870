export { PurposePage } from './purpose-page.tsx';
export { BodyRoom } from './room.tsx';
