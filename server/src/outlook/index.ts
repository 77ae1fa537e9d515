export { computeFigures } from './figures';
export { outlookRouter } from './routes';
export { allStudentIds } from './store';
export { isTest, workOf } from './work';
export { saveEffort } from './workStore';
