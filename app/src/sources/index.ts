export * from './api';
export * from './BundleLine';
export * from './DemoClock';
export * from './FreshnessNote';
export { CourseForm, NewChild, TableScreen, WriteWork } from './own';
export { SourcesScreen } from './SourcesScreen';
export { SourceStates } from './SourceStates';
export { MailsScreen } from './mail/MailsScreen';
export * from './Untold';
