import { DeskScreen } from '../../../desk';

export default DeskScreen;
