export * from './api';
export * from './BriefScreen';
export * from './tries/TryView';
export * from './WorkScreen';
