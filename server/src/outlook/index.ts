export { computeFigures } from './figures';
export { outlookRouter } from './routes';
export { allStudentIds } from './store';
export { workOf } from './work';
export { saveEffort } from './workStore';
