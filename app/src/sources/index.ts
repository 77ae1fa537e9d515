export * from './api';
export { BundleList } from './BundleList';
export * from './DemoClock';
export * from './FreshnessNote';
export { CourseForm, NewChild, TableScreen, WriteWork } from './own';
export { SourcesScreen } from './SourcesScreen';
export { SourceStates } from './SourceStates';
export { MailsScreen } from './mail/MailsScreen';
export * from './Untold';
