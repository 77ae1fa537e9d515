/** What somebody at a school answers for; a teacher answers for the courses. */
export const contactKinds = [
  'teacher',
  'office',
  'attendance',
  'counselor',
  'nurse',
  'meals',
  'transport',
  'other',
] as const;
export type ContactKind = (typeof contactKinds)[number];
