export * from './absence';
export * from './sending';
export * from './verdict';
export * from './waiting';
