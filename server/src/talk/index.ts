export { talkRouter } from './routes';
