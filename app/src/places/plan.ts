export { PlanScreen, ShownPlan } from '../plan';
