import { dayMs } from './dates';

/** What is handed in or scored in one system takes a day or two to be in another. */
export const lagMs = 2 * dayMs;
