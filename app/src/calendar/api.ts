export { useSuppliesQuery } from './calendarApi';
