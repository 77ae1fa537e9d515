export { ArrangeScreen } from './ArrangeScreen';
export { MeetingsScreen } from './MeetingsScreen';
export { MeetingView } from './MeetingView';
export { meetingMatterWords } from './words';
