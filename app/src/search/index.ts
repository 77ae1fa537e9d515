export { SearchScreen } from './SearchScreen';
