import { OperatorScreen } from '../operator';

export default OperatorScreen;
