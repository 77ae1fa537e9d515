import { inAttendance } from '../../../../places';

export default inAttendance((attendance) => attendance.AttendanceScreen);
