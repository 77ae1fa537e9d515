import { inTalk } from '../../places';

const SearchScreen = inTalk((talk) => talk.SearchScreen);

export default function Search() {
  return <SearchScreen />;
}
