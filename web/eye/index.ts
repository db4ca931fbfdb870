export { PersonEye } from './person-eye.tsx';
