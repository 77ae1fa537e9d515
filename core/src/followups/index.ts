export * from './absence';
export * from './handing';
export * from './sending';
export * from './verdict';
export * from './waiting';
export * from './repeating';
export * from './workedBefore';
