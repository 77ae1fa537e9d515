export {
  digestNothing,
  digestSections,
  digestSpan,
  digestTitle,
  type DigestLine,
  type DigestSection,
} from './digest';
export { formatsFor, type Formats } from './formats';
export { alertWords, leadFirst, ruleTitle, tellAlert, type ToldAlert } from './tell';
export type { AlertWords } from './words';
