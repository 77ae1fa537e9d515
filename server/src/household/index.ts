export { childrenFor, requireChild, requireWriter } from './access';
export { codeLetters } from './codes/codeLetters';
export { lettersApart } from './codes/lettersApart';
export { addressOfCode } from './door/giveCode';
export { codesCsv, giveCodes } from './codes/classCodes';
export { classesOf, classList, type ClassFilter } from './codes/classStore';
export { joinLinks, partLinks, type JoinedPlace } from './door/joinStore';
export { linkOwnChildren, type OwnLinkHooks } from './door/ownChild';
export { doorRouter } from './door/doorRoutes';
export type { HouseholdHooks } from './door/ways';
export { draftRouter } from './draftRoutes';
export { followSchool, nameAs } from './file/named';
export { unmetRestrictions } from './file/toldStore';
export { onFile, onFileRouter } from './file/onFile';
export { meOf, requireGuardian } from './me';
export { answerForgotten } from './keeping/addresses';
export { removeLeavers, removeLeft, sweepDoor } from './keeping/leaving';
export { newOneTimeSecret, stepOfCode } from './keeping/oneTime';
export { hashPassword, isPassword, refuseWeak } from './keeping/passwords';
export { keepingRouter } from './keeping/keepingRoutes';
export { answerObjection, endLinkBySchool, inviteByMail, linksFor, openObjections } from './people/bySchool';
export { endOverdueLinks } from './people/ending';
export { coursesOf } from './people/peopleStore';
export { peopleOf } from './people/people';
export { lift, restrict, type RestrictingHooks } from './people/restricting';
export { isHeldBack, restrictedAmong, restrictions } from './people/restrictionStore';
export { peopleRouter } from './people/peopleRoutes';
export { sendAccountMail } from './mail/sendAccountMail';
export { householdRouter } from './routes';
export { notesLooks, trailRouter } from './trail/trail';
export { putExported } from './trail/trail';
export { checkTrail, sealTrail, trailFor } from './trail/trailStore';
export { refusedMails } from './mail/accountMailStore';
export {
  addHousehold,
  familyWith,
  householdReader,
  guardianById,
  householdOf,
  linkedStudents,
  putLink,
  readersAtHome,
  writersBeside,
} from './store';
