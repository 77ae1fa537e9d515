import { SafetyScreen } from '../../../household';

export default SafetyScreen;
