import type { Marked } from './marked';

/** An eighth collection, English: each comment was written before it was seen how the readers take it. */
export const eighthEnglish: readonly Marked[] = [
  ['Zero for now. Can be turned in by Tuesday, 75 % at most.', [['hand-in', '2026-10-27', 0.75]]],
  [
    'The last two exercises are still open. He can do them at home and bring them on Thursday.',
    [['hand-in', '2026-10-22', null]],
  ],
  [
    'I will be in my classroom until four every day this week if she wants to retake the test.',
    [['retake', '2026-10-23', null]],
  ],
  ['She rewrote the ending, and the grade is now an A.', []],
  ['Revised essays go into the tray by Friday.', [['redo', '2026-10-23', null]]],
  ['To be fair to everyone, nobody gets extra time on this one.', []],
  ['A retake is not necessary.', []],
  [
    'Turning it in late still gets him half of the points, as long as I see it before 31 October.',
    [['hand-in', '2026-10-30', 0.5]],
  ],
  ['He turned in page 1 only. Page 2 is due tomorrow.', [['hand-in', '2026-10-22', null]]],
  ['The make-up exam takes place on 3 November at 15:00.', [['retake', '2026-11-03', null]]],
  ['Please get this signed and return it.', []],
  ['We are behind schedule, so the due date is now 29 October.', [['hand-in', '2026-10-29', 1]]],
  [
    'Every mistake you explain in writing earns back half a point. Deadline: Monday.',
    [['correct', '2026-10-26', null]],
  ],
  ['I made an exception and gave him until the 26th.', [['hand-in', '2026-10-26', null]]],
  ['The next essay will be due on 13 November.', []],
  [
    'Three of five sources are missing. With all five it would be an A. You may add them until Friday.',
    [['hand-in', '2026-10-23', null]],
  ],
  ['She has not yet made up Tuesday’s quiz. Please see me this week.', [['retake', '2026-10-23', null]]],
  ['Read more carefully.', []],
  ['This can be resubmitted once. I need it back before Thursday.', [['redo', '2026-10-21', null]]],
  ['The computer lab is open until five.', []],
  ['Do the missing exercises tonight and you lose nothing.', [['hand-in', '2026-10-21', 1]]],
  ['The extra credit project may be handed in until 4 November.', [['hand-in', '2026-11-04', null]]],
  ['I would rather have it late than never: until Monday, full credit.', [['hand-in', '2026-10-26', 1]]],
  ['He refused to take the retest.', []],
  ['Quiz corrections for half credit, before the next quiz on Friday.', [['correct', '2026-10-22', 0.5]]],
  ['Rehearsal is on Thursday until six.', []],
  ['I have not received the lab report, and the portal closes tonight.', [['hand-in', '2026-10-21', null]]],
  ['If he resubmits the first paragraph by Monday, it can still become a B.', [['redo', '2026-10-26', 0.8]]],
  ['Extension granted until Sunday.', [['hand-in', '2026-10-25', 1]]],
  ['The answer key is online until Friday.', []],
];
