export * from './faults';
export * from './patterns';
export * from './summary';
