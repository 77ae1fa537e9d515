export type * from './outlook';
export * from './start';
