import { inPlan } from '../../../places';

export default inPlan((plan) => plan.PlanScreen);
