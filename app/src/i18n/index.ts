export * from './clock';
export * from './format';
export * from './i18n';
export * from './problemWords';
export * from './markWord';
export { weekdayNames } from './weekdays';
