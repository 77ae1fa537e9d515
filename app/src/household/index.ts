export { ChildTag, MarkOf } from './ChildTag';
export * from './api';
export * from './begun';
export * from './children';
export * from './LinkChild';
export * from './SignIn';
export * from './useFormat';
