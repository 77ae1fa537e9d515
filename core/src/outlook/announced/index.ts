export { readAnnouncement, type AnnouncedPart, type ReadAnnouncement } from './read';
export { answerLetter, type AnswerFacts } from './answerLetter';
