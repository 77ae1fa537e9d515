export * from './format';
export * from './i18n';
export * from './problemWords';
