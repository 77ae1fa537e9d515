export { attendanceOf, type ChildAttendance } from './childAttendance';
export { attendanceRouter } from './routes';
