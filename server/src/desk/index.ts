export { deskOf, keepPiece, openDesk, say } from './desk';
export { deskRouter } from './routes';
export { sharesOf } from './store';
