export type * from './outlook';
export type * from './table';
export * from './start';
