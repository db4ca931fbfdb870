export { PrintRoom } from './print-room.tsx';
export { ScanPage } from './scan-page.tsx';
export { SharedPage } from './shared-page.tsx';
export { SharesPage } from './shares-page.tsx';
