export { announcementRouter } from './routes';
export { openAsks } from './asks';
export type { TakenInto } from './taking';
