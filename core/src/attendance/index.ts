export * from './patterns';
export * from './summary';
