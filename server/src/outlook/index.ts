export { computeFigures } from './figures';
export { outlookRouter } from './routes';
export { allStudentIds } from './store';
