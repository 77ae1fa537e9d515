import type { Matter } from '@cadro/contract';
import type { FamilyFacts } from './facts';

/** Somebody at home waits for a yes or a no. */
const handedStake = 0.1;

/** What another guardian asks this one to take on. */
export function handed({ followUps }: FamilyFacts): Matter[] {
  return followUps.flatMap(({ id, studentId, courseId, courseTitle, title, askedOfMe }): Matter[] =>
    askedOfMe === null
      ? []
      : [
          {
            kind: 'handed',
            key: `handed:${id}`,
            ...{ studentId, courseId, courseTitle, stake: handedStake, expiresAt: null, alertIds: [] },
            ...{ followUpId: id, title, ...askedOfMe },
          },
        ],
  );
}
