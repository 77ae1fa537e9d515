/* Two sources that tell of one child: which of their courses and works are the same, and whose word holds. */
export { laidOver, ownStands, type Account, type Lead } from './account';
export { differencesOf, type Difference, type Told } from './differences';
export { plainTitle } from '../own/match';
export { pairCourses, pairWorks, type Pair, type PairedWork } from './pairs';
