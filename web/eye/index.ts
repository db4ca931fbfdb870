export { PersonEye } from './person-eye.tsx';
export { BeforeAfter, CHANGE_WORDS } from './before-after.tsx';
