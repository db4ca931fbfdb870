export { LibraryRoom } from './library-room.tsx';
export { History } from './history.tsx';
export { HealthPage } from './health-page.tsx';
export { MergePage } from './merge-page.tsx';
