import { FromChildren } from '../../../desk';
import { BriefScreen } from '../../../outlook';

export default function Brief() {
  return <BriefScreen said={<FromChildren />} />;
}
