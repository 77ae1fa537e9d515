export { OperatorScreen } from '../operator';
