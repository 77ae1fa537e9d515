export { packExactly } from './pack';
export { planRouter } from './routes';
export { readPlan } from './service';
export { moveTasks } from './store';
