export { SearchScreen } from './SearchScreen';
export * from './api';
export * from './TalkList';
export * from './ThreadView';
export * from './WriteScreen';
export * from './draft';
export { Beginning, useBeginning, type Drafting } from './Beginning';
export { Files, useFiles } from './Files';
export { openingOf } from './opening';
