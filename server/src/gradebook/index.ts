export { commentFacts, commentsOf, offersOf } from './comments';
export { standingCorrections } from './corrections';
export { offerEnds, confirmedOffers, readNewComments, saveOfferAnswer } from './offers';
export { openCourse } from './openCourse';
export { endOfDay, instantAt, startOfDay } from './courseTerms';
export { filesFrom } from './itemDetail';
export {
  historyOfCourse,
  householdViews,
  itemChanges,
  type ItemChange,
  loadCourses,
  type LoadedCourse,
} from './histories';
export { commentsSeen, finalGrades } from './seen';
export { courseRecords, dueSql } from './records';
export { gradebookRouter } from './routes';
export { coursesOf, enrolled, itemOf, ofThisYear, type CourseRow } from './store';
export { termRouter } from './termRoutes';
export { courseSummary } from './views';
export { comingWork, isOpen, itemNames, openStatuses, works, type WorkRow } from './works';
