export { attendanceOf, schoolRegister, type ChildAttendance, type StandingMark } from './childAttendance';
export { markView, teacherView } from './overview';
export { attendanceRouter } from './routes';
export { desksOf } from './store';
