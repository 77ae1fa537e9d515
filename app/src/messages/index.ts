export { SearchScreen } from './SearchScreen';
export * from './api';
export * from './TalkList';
export * from './ThreadView';
export * from './WriteScreen';
export * from './draft';
