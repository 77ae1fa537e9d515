export { AroundScreen } from './AroundScreen';
