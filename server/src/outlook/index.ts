export { goodNewsOf } from './goodNews';
export { outlookRouter } from './routes';
export { doubtsOf } from './said';
export { workOf } from './work';
export { answersAbout, moveEfforts, saveEffort } from './workStore';
