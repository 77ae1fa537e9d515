import { SearchScreen } from '../../../messages';

export default function Search() {
  return <SearchScreen />;
}
