export { sitdownRouter } from './routes';
export { listSitdowns } from './sitdown';
