export { deskOf, openDesk } from './desk';
export { deskRouter } from './routes';
export { sharesOf } from './store';
