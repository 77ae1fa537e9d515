import { BriefScreen } from '../../../outlook';

export default BriefScreen;
