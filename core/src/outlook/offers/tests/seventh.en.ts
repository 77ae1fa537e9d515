import type { Marked } from './marked';

/** A seventh collection, English: each comment was written before it was seen how the readers take it. */
export const seventhEnglish: readonly Marked[] = [
  ['Still missing. This Thursday is the last day I will take it.', [['hand-in', '2026-10-22', null]]],
  ['He needs to come in and finish the test. Any lunch this week works.', [['retake', '2026-10-23', null]]],
  ['Resubmit the graph with axis labels by Monday and the grade goes up.', [['redo', '2026-10-26', null]]],
  ['Your final chance to turn this in is 30 October.', [['hand-in', '2026-10-30', null]]],
  ['Not turned in; there is still time until Friday.', [['hand-in', '2026-10-23', null]]],
  ['It is okay to hand this in on Monday.', [['hand-in', '2026-10-26', null]]],
  [
    'I do not have a score for this because the sheet is not here. Once I have it, the zero goes away.',
    [['hand-in', null, null]],
  ],
  ['The retake window is 26 to 30 October.', [['retake', '2026-10-30', null]]],
  ['He can improve this by redoing the second page.', [['redo', null, null]]],
  ['A redo is available for anyone under 80. Due next Friday.', [['redo', '2026-10-30', null]]],
  [
    'Correct all wrong answers on a separate sheet and you will get a third of the points back.',
    [['correct', null, 1 / 3]],
  ],
  ['I will take 5 points off for each day it is late.', []],
  ['She may take the quiz home and bring it back tomorrow.', [['retake', '2026-10-22', null]]],
  ['Since you were at the tournament, yours is due on Monday instead.', [['hand-in', '2026-10-26', 1]]],
  ['I am extending this to Tuesday for everyone.', [['hand-in', '2026-10-27', 1]]],
  ['Parents, please check that the folder is in the bag on Friday.', []],
  [
    'Not quite there yet. Would you like to try question 4 again? I can regrade until Friday.',
    [['redo', '2026-10-23', null]],
  ],
  ['I marked the test on Sunday.', []],
  ['Next time, please hand it in on time.', []],
  [
    'Late submission possible until 28 October with a maximum of 16 of 20 points.',
    [['hand-in', '2026-10-28', 0.8]],
  ],
  ['He said that he would hand it in on Monday.', []],
  ['If it is not in by Wednesday, the zero becomes permanent.', [['hand-in', '2026-10-21', null]]],
  ['All the missing work is listed below. The cut-off is 5 November.', [['hand-in', '2026-11-05', null]]],
  ['The test may be corrected, not retaken. Half points back, by Monday.', [['correct', '2026-10-26', 0.5]]],
  ['There is no homework this weekend.', []],
  ['Her presentation was postponed to Tuesday because she was ill.', []],
  ['You can earn up to 90 % if you revise the introduction.', [['redo', null, 0.9]]],
  ['Bring a laptop on Thursday.', []],
  [
    'Please hand in the reading journal you forgot today; tomorrow is fine.',
    [['hand-in', '2026-10-22', null]],
  ],
  [
    'I will be accepting late work for half credit up to the last day of the quarter.',
    [['hand-in', null, 0.5]],
  ],
];
