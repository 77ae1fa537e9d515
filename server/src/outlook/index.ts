export { goodNewsOf } from './goodNews';
export { outlookRouter } from './routes';
export { saidAs } from './said';
export { workOf } from './work';
export { saveEffort } from './workStore';
