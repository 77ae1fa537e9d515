export { AnnouncementView, SchoolScreen } from '../announcements';
export { AroundScreen } from '../around';
export { ContactView, ContactsScreen } from '../contacts';
export { FromScreen } from '../desk';
export { FollowUpView, NewFollowUp } from '../followups';
export { ArrangeScreen, MeetingView, MeetingsScreen } from '../meetings';
export { SearchScreen, TalkList, ThreadView, WriteScreen } from '../messages';
export { NotesScreen } from '../notes';
export { PastScreen, SitdownScreen } from '../sitdown';
