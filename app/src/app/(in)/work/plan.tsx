import { PlanScreen } from '../../../plan';

export default PlanScreen;
