export { aroundRouter } from './routes';
export { balancesSeen } from './seen';
