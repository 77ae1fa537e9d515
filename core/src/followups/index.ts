export * from './absence';
export * from './verdict';
export * from './waiting';
