export { sitdownRouter } from './routes';
