export { LibraryRoom } from './find/library-room.tsx';
export { History } from './compare/history.tsx';
export { HealthPage } from './health/health-page.tsx';
export { MergePage } from './write/merge-page.tsx';
export { NewerPage } from './compare/newer-page.tsx';
export { SittingPage } from './rules/sitting-page.tsx';
