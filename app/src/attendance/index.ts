export { OwnMark } from './OwnMark';
export * from './AttendanceScreen';
export * from './marksFile/MarksFileScreen';
export * from './markWords';
export * from './StripKey';
