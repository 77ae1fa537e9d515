export { fridgePages } from './fridgePages';
