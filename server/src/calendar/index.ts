export { followedIds, readFollowed } from './elsewhere/followed';
export { calendarPages, elsewherePages } from './calendarRoutes';
export { downloadOf } from './elsewhere/publish';
export { calendarRouter } from './routes';
export { moveDates } from './workStore';
export { touchedByPattern } from './day/touched';
export { takenIntoCalendar } from './taken';
export { readEntry } from './entries';
