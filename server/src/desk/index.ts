export { deskOf, keepPiece, openDesk, say } from './desk';
export { deskRouter } from './routes';
export { moveDesk, sharesOf } from './store';
