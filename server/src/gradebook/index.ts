export { commentFacts, commentsOf, offersOf } from './commentStore';
export {
  computeFigures,
  computeWanted,
  figuresJob,
  figuresOfNow,
  wantStaleFigures,
  type FiguresHook,
} from './figures';
export { looseEndsOf, wantFigures } from './figureStore';
export { courseHistories } from './histories';
export { householdRecords } from './householdRecords';
export { setTarget, targetOf } from './householdStore';
export { filesFrom } from './itemDetail';
export { offerEnds, saveOfferAnswer } from './offerStore';
export { readNewComments } from './readOffers';
export { gradebookRouter, type GradebookHooks } from './routes';
export { commentsSeen, finalGrades } from './seenStore';
export { coursesOf, itemOf } from './store';
export { termRouter } from './termRoutes';
export { courseSummary } from './views';
