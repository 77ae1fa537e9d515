export { followUpRouter } from './routes';
export { settleByRecord } from './settle';
export { followUpById, openFollowUpOf, openFollowUps, type OpenFollowUp } from './store';
export { markAnswered, markWritten } from './written';
