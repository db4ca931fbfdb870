export { Qr } from './qr.tsx';
