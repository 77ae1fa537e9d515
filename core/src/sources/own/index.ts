/* What a family writes down itself. An entry of its own: few pages need it. */
export { readLine, type Line, type LineAsked } from './line';
export { pairRows, plainTitle, type Named } from './match';
export { splitTitle } from './split';
export { ownPolicy, rulesOf, usualTerm } from './policy';
