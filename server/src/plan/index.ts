export { packExactly } from './pack';
export { planRouter } from './routes';
export { readPlans } from './service';
export { moveTasks } from './store';
