export * from './api';
export { BundleList } from './BundleList';
export * from './DemoClock';
export * from './FreshnessNote';
export { BesideScreen } from './beside/BesideScreen';
export {
  CourseForm,
  DateOrder,
  GiveTable,
  marksText,
  NewChild,
  TableScreen,
  useTable,
  WriteWork,
  type AboutWork,
} from './own';
export { SourcesScreen } from './SourcesScreen';
export { SourceAge } from './SourceAge';
export { MailsScreen } from './mail/MailsScreen';
export * from './Untold';
