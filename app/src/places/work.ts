export { WorkScreen } from '../outlook';
