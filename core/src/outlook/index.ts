export * from './courseAnswer';
export * from './expected';
export * from './goodNews';
export * from './looseEnds';
export * from './needed';
export * from './threeFigures';
export * from './trend';
export * from './triage';
