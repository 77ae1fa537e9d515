import { inOperator } from '../places';

export default inOperator((operator) => operator.OperatorScreen);
