import { FromChildren } from '../desk';
import { BriefScreen, type Beside } from '../outlook';

export { NewsScreen } from '../outlook';

/** The Brief, with what the children say themselves. */
export const Brief = ({ beside }: { beside: Beside }) => (
  <BriefScreen said={<FromChildren />} beside={beside} />
);
