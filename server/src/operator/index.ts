export { operatorRouter } from './routes';
export { addOperator } from './signIn';
export { endOperator } from './store';
