export * from './Agree';
export * from './api';
export * from './FollowUpList';
export * from './FollowUpView';
export * from './NewFollowUp';
export * from './words';
export * from './ownerWords';
export { freshId } from './freshId';
