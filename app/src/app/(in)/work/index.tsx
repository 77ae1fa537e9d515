import { WorkScreen } from '../../../outlook';

export default WorkScreen;
