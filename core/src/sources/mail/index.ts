/* Mail that a family forwards. An entry of its own: few pages need it. */
export { namedIn, proposalsOf, type MailAsked, type Proposal } from './proposals';
export { plainSubject, unforward, type Unforwarded } from './unforward';
