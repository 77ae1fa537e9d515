export { attendanceOf, schoolRegisters, type ChildAttendance, type StandingMark } from './childAttendance';
export { markView, teacherView } from './overview';
export { registersOf } from './registerStore';
export { attendanceRouter } from './routes';
