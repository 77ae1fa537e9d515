export { notesWith } from './notes';
export { noteRouter } from './routes';
