export { useCalendarQuery, useSuppliesQuery } from './calendarApi';
