export { HourPage } from './hour-page.tsx';
export { PlanPage } from './plan-page.tsx';
export { WarmUpPage } from './warm-up-page.tsx';
