import { RulesScreen } from '../../../alerts';

export default RulesScreen;
