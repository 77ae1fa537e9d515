export { packExactly } from './pack';
export { planRouter } from './routes';
export { Solver } from './solver';
