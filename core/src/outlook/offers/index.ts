export * from './read';
export { languageOf } from './language';
