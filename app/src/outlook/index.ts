export * from './api';
export * from './BriefScreen';
export * from './WorkScreen';
