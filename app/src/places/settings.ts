export { OutScreen } from '../gradebook';
export { DataScreen, FileScreen, LinkChild, PeopleScreen, SafetyScreen, TrailScreen } from '../household';
export { Settings } from '../shell';
export { BesideScreen, MailsScreen, SourcesScreen } from '../sources';
