export { ArrangeScreen } from './ArrangeScreen';
export { MeetingsScreen } from './MeetingsScreen';
export { MeetingView } from './MeetingView';
export { whereWords } from './words';
