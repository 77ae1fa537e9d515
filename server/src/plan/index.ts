export { packExactly } from './pack';
export { planRouter } from './routes';
export { readPlan } from './service';
export { Solver } from './solver';
export { moveTasks } from './store';
