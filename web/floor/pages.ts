export { GroupPage } from './group-page.tsx';
export { TodayPage } from './today-page.tsx';
