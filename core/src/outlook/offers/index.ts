export { isTimeZone } from './calendar';
export * from './read';
