export * from './alerts';
export * from './attendance';
export * from './calendar';
export * from './dates';
export * from './followups';
export * from './gradebook';
export * from './outlook';
export * from './plan';
