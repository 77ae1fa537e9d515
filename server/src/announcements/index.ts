export { announcementRouter } from './routes';
export { openAsks } from './asks';
export { announcementsSeen } from './seen';
