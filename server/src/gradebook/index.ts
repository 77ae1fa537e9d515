export { commentFacts, commentsOf, offersOf } from './commentStore';
export {
  computeFigures,
  computeWanted,
  figuresJob,
  figuresOfNow,
  wantFallenFigures,
  type FiguresHook,
} from './figures/figures';
export { heldAmong, looseEndsOf, releaseWanted, wantFigures } from './figures/figureStore';
export { outRouter } from './out/outRoutes';
export { providerRouter } from './out/provider';
export { courseHistories } from './figures/histories';
export { householdRecords } from './figures/householdRecords';
export { childsTargets, setTarget, targetOf } from './figures/householdStore';
export { filesFrom } from './course/itemDetail';
export { offerEnds, saveOfferAnswer } from './offerStore';
export { readNewComments } from './readOffers';
export { gradebookRouter, type GradebookHooks } from './routes';
export { commentsSeen, gradesSeen } from './seenStore';
export { exportedCourses } from './exported';
export { itemOf } from './store';
export { schoolYears } from './terms/terms';
export { termRouter } from './terms/termRoutes';
export { courseSummaries } from './course/views';
