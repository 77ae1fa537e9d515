export * from './clusters';
export * from './timetable';
