export { searchRouter } from './routes';
