import { SitdownScreen } from '../../../../sitdown';

export default function Sitdown() {
  return <SitdownScreen />;
}
