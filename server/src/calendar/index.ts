export { calendarPages, elsewherePages } from './calendarRoutes';
export { calendarRouter } from './routes';
export { touchedByPattern } from './day/touched';
