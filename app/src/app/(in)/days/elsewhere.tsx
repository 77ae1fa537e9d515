import { ElsewhereScreen } from '../../../calendar';

export default ElsewhereScreen;
