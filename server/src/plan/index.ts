export { packExactly } from './pack';
