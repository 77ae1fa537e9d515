export {
  attendanceFrom,
  attendanceOf,
  schoolRegisters,
  type ChildAttendance,
  type StandingMark,
} from './childAttendance';
export { markView, teacherView } from './overview';
export { registersOf } from './registers';
export { marksCsv } from './marksFile';
export { attendanceRouter } from './routes';
export { mirrorMarks } from './joinedMarks';
