export * from './AttendanceScreen';
export * from './MarksFileScreen';
export * from './markWords';
export * from './StripKey';
