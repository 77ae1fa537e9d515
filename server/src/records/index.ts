export { itemChanges, resultChanges, type ItemChange, type ResultChange } from './changeStore';
export { keepOffers, unreadComments, type UnreadComment } from './commentStore';
export { isOfTerm, termEnd, type CourseTerm } from './courseTerms';
export {
  itemIdsOf,
  categoriesOfCourse,
  comingWork,
  courseOfItem,
  datedWorks,
  isAsked,
  isOpen,
  remarkedWorks,
  itemNames,
  openStatuses,
  type DatedWork,
} from './itemStore';
export {
  leadsOf,
  ownWorks,
  sayPair,
  setLead,
  setWorkLead,
  theirWorks,
  type OwnWork,
  type ToldWork,
} from './besideStore';
export { remarksOf, statesOf, type ToldRemark, type ToldState } from './remarkStore';
export { layBeside, type Dissolved } from './laying';
export { aCourseOf, coursesMeant, isMeant } from './partStore';
export { hasCourses, isWhole, joined, studentsIn, wholeOf, type PartOfRecord } from './parts';
export { moveAbout } from './movedStore';
export { cameOfWorks, cameWords, type CameWork, type CameWords } from './newsStore';
export { childFile, namedFor } from './fileStore';
export { codeByHash, takenCodes, useCode } from './linkCodeStore';
export {
  isPolicyTold,
  loadCourses,
  type KeptCategory,
  type KeptItem,
  type KeptResult,
  type LoadedCourse,
} from './loadStore';
export {
  classroomSaid,
  classroomSeen,
  coursesThatFlag,
  handInTries,
  rubricLevels,
  type SaidOfWork,
  type SeenInClassroom,
} from './resultStore';
export {
  allStudentIds,
  creditPlan,
  desksOf,
  enrolled,
  forgetChildren,
  leftBefore,
  rolesOfPeople,
  schoolDates,
  studentKeys,
  partsOfCourses,
  teachersByCourse,
  type Contact,
} from './studentStore';
export {
  wholeCategories,
  wholeChild,
  wholeCourses,
  wholeItems,
  wholeTerms,
  type WholeCategory,
  type WholeChild,
  type WholeCourse,
  type WholeItem,
  type WholeTerm,
} from './wholeStore';
export { ofThisYear, schoolTerms, termsOfStudent, type SchoolTerm, type TermOfYear } from './termStore';
export {
  lessonNotesOf,
  lessonsDone,
  lessonsOf,
  neighbours,
  schoolDaysOf,
  schoolEventsOf,
  type KeptNote,
  type KeptSchoolDay,
  type KeptSchoolEvent,
  type PlannedLesson,
} from './timetableStore';
export {
  assumePolicies,
  countTold,
  countUntold,
  forgetTold,
  putTold,
  takeUntold,
  toldKey,
  neutralCollections,
  logChanges,
  setApartPassed,
  settleClasses,
  writeCollection,
  type Beside,
  type NeutralCollection,
  type NeutralRecord,
} from './writing';
export {
  announcementsOf,
  announcementsSince,
  announcementsWith,
  type AnnouncementRow,
} from './announcementStore';
export { markSlot, offeredSlots, slotFor, slotPlace } from './slotStore';
export { balancesOf, bulletinsOf, foundThingsOf, ridesOf } from './aroundStore';
