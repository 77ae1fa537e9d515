export { AnnouncementView } from './AnnouncementView';
export { FromSchools } from './FromSchools';
export { SchoolScreen } from './SchoolScreen';
