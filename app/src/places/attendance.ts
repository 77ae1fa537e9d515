export {
  AttendanceOfChild,
  AttendanceScreen,
  ChildAttendance,
  MarksFileScreen,
  OwnMark,
} from '../attendance';
