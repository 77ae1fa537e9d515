export * from './api';
export * from './BriefScreen';
export * from './NewsScreen';
export * from './tries/TryView';
export * from './WorkScreen';
export { matterWords } from './matterWords';
export { TermScreen } from './term/TermScreen';
