export { slotBack } from './booking';
export { followSlots } from './following';
export { invitationReturned, receiveReply, sendInvitations } from './invitations';
export { listMeetings, meetingsWith } from './meetings';
export { meetingRouter } from './routes';
export { meetingsSeen } from './seen';
export { meetingsBetween } from './store';
