import type { CourseRecord, PolicyCorrection, PolicyRecord } from '@cadro/contract';
import { corrected, correctedPolicy } from './correction';
import { withOffers, type ConfirmedOffer } from './offer';

/** What a household makes of a course: what it assumes of the policy, and the offers it has confirmed. */
export interface HouseholdView {
  /** Null where the course stands as its source says. */
  readonly correction: PolicyCorrection | null;
  readonly offers: readonly ConfirmedOffer[];
}

/** A household that has said nothing of a course: it reads it as the source tells it. */
export const asPublished: HouseholdView = { correction: null, offers: [] };

/**
 * A course as a household reads it: as its source tells it, with the household's correction of the policy and the offers
 * it has confirmed. The one place where these are put together; whatever shows a figure starts from here.
 * @param published as the source tells it.
 */
export const householdRecord = (published: CourseRecord, view: HouseholdView): CourseRecord =>
  withOffers(corrected(published, view.correction), view.offers);

/** A course's policy as a household reads it, for whoever needs its scale and no figure. */
export const householdPolicy = (published: PolicyRecord, correction: PolicyCorrection | null): PolicyRecord =>
  correctedPolicy(published, correction);
