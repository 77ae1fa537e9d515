/** How a meeting at school is held. */
export const meetingWays = ['in-person', 'phone', 'link'] as const;
export type MeetingWay = (typeof meetingWays)[number];
