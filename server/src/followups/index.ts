export { openAbsence } from './absence';
export { listFollowUps, readFollowUp } from './service';
export { followUpsWith, type FoundRow } from './foundStore';
export { agreedBy, tickAgreed } from './childs';
export { followUpRouter } from './routes';
export { noteOffer } from './offer';
export { settleByRecord } from './settle';
export {
  followUpById,
  absencesTakenInHand,
  openFollowUpAbout,
  openFollowUps,
  type OpenFollowUp,
} from './store';
export { lookAgainAfter, markAnswered, markWritten, unmarkWritten } from './written';
export { askedOf, isAskedOf, ownerOf } from './handing';
