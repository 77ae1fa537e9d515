import { AttendanceScreen } from '../../../../attendance';

export default AttendanceScreen;
