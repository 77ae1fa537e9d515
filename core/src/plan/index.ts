export type { Filling } from './fillings';
export type { PlanEvening, PlanTask } from './problem';
export { mayGo, planFault } from './problem';
export * from './propose';
export * from './moveOn';
export * from './load';
