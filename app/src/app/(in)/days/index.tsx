import { CalendarScreen } from '../../../calendar';

export default CalendarScreen;
