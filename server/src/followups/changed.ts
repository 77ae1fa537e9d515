import type { FollowUpChange } from '@cadro/contract';
import { HttpProblem } from '../kit';
import type * as store from './store';

/** What one part of a change comes to: the row's columns, and what is told of it. */
export interface Changed {
  readonly columns: store.Change;
  readonly entries: readonly store.NewEntry[];
}

/** A part of a change that is about none of it. */
export const nothing: Changed = { columns: {}, entries: [] };

/** What cannot be done with a follow-up as it stands. */
export const refused = (member: keyof FollowUpChange): HttpProblem =>
  new HttpProblem('bad-request', {
    errors: [{ path: `/${member}`, message: 'is nothing that can be done with it' }],
  });
