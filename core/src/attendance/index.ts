export * from './faults';
export * from './marksFile';
export * from './patterns';
export * from './schoolDays';
export * from './register';
export * from './share';
export * from './summary';
export * from './touched';
