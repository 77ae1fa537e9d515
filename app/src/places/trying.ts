export { TryView } from '../outlook';
