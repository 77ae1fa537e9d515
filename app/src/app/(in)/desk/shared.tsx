import { SharedScreen } from '../../../desk';

export default SharedScreen;
