import type { Marked } from './marked';

/** A ninth collection, English: each comment was written before it was seen how the readers take it. */
export const ninthEnglish: readonly Marked[] = [
  ['I moved her seat to the front row on Monday.', []],
  ['He works best when he starts on the day it is assigned.', []],
  ['The average for this test was 74 %.', []],
  ['She needed until Friday, and it was worth the wait.', []],
  ['We will finish the second half of the book by December.', []],
  ['Please make sure he charges his laptop before Thursday.', []],
  ['Good corrections last week, they brought the grade up by 6 points.', []],
  ['If the weather is bad on Friday, the trip is moved to Monday.', []],
  ['I will be out on Thursday and Friday; a substitute has the plans.', []],
  ['All late work has been graded.', []],
  ['His retake score of 88 replaced the 61.', []],
  ['The project counts for 20 % of the quarter.', []],
  ['You will get the rubric on Monday.', []],
  ['Half of the class has not paid for the ferry yet; please do so by Friday.', []],
  ['Extra credit does not replace missing work.', []],
  ['The portal will be down on Sunday night.', []],
  [
    'The missing lab report is the only thing keeping this from an A; Friday is the last day.',
    [['hand-in', '2026-10-23', null]],
  ],
  ['Please rewrite this in pen and return it by Monday.', [['redo', '2026-10-26', null]]],
  ['A make-up for the quiz can be arranged any day next week.', [['retake', '2026-10-30', null]]],
  ['She may turn in a corrected copy until 29 October.', [['correct', '2026-10-29', null]]],
  [
    'I can still give three quarters of the points if the diorama arrives by Monday.',
    [['hand-in', '2026-10-26', 0.75]],
  ],
];
