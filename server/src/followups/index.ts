export { followUpRouter } from './routes';
export { noteOffer } from './offer';
export { settleByRecord } from './settle';
export { followUpById, openFollowUpAbout, openFollowUps, type OpenFollowUp } from './store';
export { markAnswered, markWritten } from './written';
