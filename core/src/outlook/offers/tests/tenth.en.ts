import type { Marked } from './marked';

/** A tenth collection, English: each comment was written before it was seen how the readers take it. */
export const tenthEnglish: readonly Marked[] = [
  [
    'Hi, Isolde was out on quiz day. She can take it during advisory on Thursday.',
    [['retake', '2026-10-22', null]],
  ],
  [
    'This is a zero because nothing was submitted. I will take it late through Monday for 70 %.',
    [['hand-in', '2026-10-26', 0.7]],
  ],
  ['He lost the sheet; I printed a new one. Due back by Friday.', [['hand-in', '2026-10-23', null]]],
  [
    'The hypothesis is unclear. Rewrite that part and resubmit by next Monday for up to full credit.',
    [['redo', '2026-10-26', 1]],
  ],
  ['I know you can do better. Retake on Tuesday?', [['retake', '2026-10-27', null]]],
  [
    'Please correct the three spelling errors and show me the page tomorrow.',
    [['correct', '2026-10-22', null]],
  ],
  [
    'Unfinished work from today can be completed at home and turned in tomorrow morning.',
    [['hand-in', '2026-10-22', null]],
  ],
  [
    'There were two questions on the back. If she answers them by Wednesday I will add the points.',
    [['hand-in', '2026-10-21', null]],
  ],
  ['Reading log: 3 of 5 entries. The others can be made up before the break.', [['hand-in', null, null]]],
  [
    'Your child still owes me the book report. Deadline extended to 30 October.',
    [['hand-in', '2026-10-30', 1]],
  ],
  [
    'We do not offer retakes on projects, but he can revise it until 6 November.',
    [['redo', '2026-11-06', null]],
  ],
  ['Only one attempt was used. A second is available until Sunday night.', [['redo', '2026-10-25', null]]],
  [
    'Thanks for the note. Since he was sick, he has until next Wednesday with no penalty.',
    [['hand-in', '2026-10-28', 1]],
  ],
  ['She may turn this in late, but the highest grade possible is a C.', [['hand-in', null, 0.7]]],
  ['Half credit for late work, up to one week after the due date.', [['hand-in', null, 0.5]]],
  ['Great effort! Small mistakes in 2 and 6, no need to redo.', []],
  ['I have entered the score for the retake.', []],
  ['Not graded: I could not open the link. Share it with me by tonight.', [['hand-in', '2026-10-21', null]]],
  [
    'Grades for the essay are final after 2 November; until then you can ask for a regrade.',
    [['redo', '2026-11-02', null]],
  ],
  [
    'Missing since last week. I will leave the assignment open until Thursday at midnight.',
    [['hand-in', '2026-10-22', null]],
  ],
  ['The class average went up after the corrections.', []],
  ['Her lab group redid the measurement, see page 4.', []],
  ['You can drop your lowest quiz at the end of the term.', []],
  ['Do problems 7 to 10 again for half of the lost points, by Monday.', [['redo', '2026-10-26', 0.5]]],
  [
    'Due to the power cut the assignment is due on Thursday instead of today.',
    [['hand-in', '2026-10-22', 1]],
  ],
];
