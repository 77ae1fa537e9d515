export { letterPage } from './letterPage';
