export * from './absence';
export * from './verdict';
