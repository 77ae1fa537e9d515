export { exportedNotes, notesWith } from './notes';
export { noteRouter } from './routes';
