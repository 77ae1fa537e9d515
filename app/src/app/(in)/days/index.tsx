import { inDays } from '../../../places';

export default inDays((days) => days.CalendarScreen);
