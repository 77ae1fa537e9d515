import { inTalk } from '../../../places';

const AroundScreen = inTalk((talk) => talk.AroundScreen);

export default function Around() {
  return <AroundScreen />;
}
