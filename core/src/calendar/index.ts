export * from './clock';
export * from './clusters';
export * from './freeTimes';
export * from './meetingWords';
export * from './timetable';
