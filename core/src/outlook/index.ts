export * from './courseFigures';
export * from './expected';
export * from './goodNews';
export * from './looseEnds';
export * from './threeFigures';
export * from './trend';
export * from './triage';
