export { briefRouter } from './routes';
