export { briefOf } from './brief';
export { briefRouter } from './routes';
