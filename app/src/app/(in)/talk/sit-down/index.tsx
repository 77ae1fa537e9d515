import { inTalk } from '../../../../places';

const SitdownScreen = inTalk((talk) => talk.SitdownScreen);

export default function Sitdown() {
  return <SitdownScreen />;
}
