export * from './course';
export * from './display';
export * from './posted';
export * from './standards';
export * from './standing';
