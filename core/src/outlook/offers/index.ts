export { isTimeZone } from './calendar';
export * from './read';
export { languageOf } from './language';
