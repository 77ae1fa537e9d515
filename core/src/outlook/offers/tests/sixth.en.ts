import type { Marked } from './marked';

/** A sixth collection, English: each comment was written before it was seen how the readers take it. */
export const sixthEnglish: readonly Marked[] = [
  ['Log 4 never reached me. Could you get it to me by Thursday?', [['hand-in', '2026-10-22', null]]],
  [
    'He may redo the last two problems for full points, up until the test on 30 October.',
    [['redo', '2026-10-30', 1]],
  ],
  [
    'I have given her an incomplete. She has until 6 November to complete the work.',
    [['hand-in', '2026-11-06', null]],
  ],
  [
    'This quiz grade will be replaced if she does better on the retake on Monday.',
    [['retake', '2026-10-26', null]],
  ],
  ['If I get the permission slip by Friday he can come along.', []],
  ['The grade is final.', []],
  ['Submit the annotated bibliography no later than midnight on Sunday.', [['hand-in', '2026-10-25', null]]],
  ['Late work loses 10 % per day and is closed after five days.', []],
  ['Maximum grade for late submission is 75. Portal closes Friday at 5.', [['hand-in', '2026-10-23', 0.75]]],
  [
    'Please have him finish the coding exercise at home and upload it by tomorrow.',
    [['hand-in', '2026-10-22', null]],
  ],
  ['Strong start, but the second half was rushed.', []],
  ['She has permission to turn the essay in on Monday without penalty.', [['hand-in', '2026-10-26', 1]]],
  [
    'You can fix this! Redo question 2 and question 5 and drop them in my box by Wednesday of next week.',
    [['redo', '2026-10-28', null]],
  ],
  ['There is one retake per unit. Yours is available until 4 November.', [['retake', '2026-11-04', null]]],
  ['We will correct the test together in class on Friday.', []],
  [
    'All work from the field trip needs to be in my hands by the end of the day on Friday.',
    [['hand-in', '2026-10-23', null]],
  ],
  ['This was turned in after I had closed the gradebook.', []],
  ['Makeups for the oral presentation: 27 and 28 October.', [['retake', '2026-10-28', null]]],
  ['I was not able to read the file, please resend.', [['hand-in', null, null]]],
  [
    'Two entries are blank. If you complete them before class tomorrow, I will count them.',
    [['hand-in', '2026-10-22', null]],
  ],
  [
    'Wrong file uploaded. Please upload the right one by Monday, otherwise it stays a zero.',
    [['hand-in', '2026-10-26', null]],
  ],
  [
    'You did not follow the format, so I took off 5 points. Reformat it by Friday to get 3 of them back.',
    [['redo', '2026-10-23', null]],
  ],
  ['A thoughtful piece. I read it aloud to the class.', []],
  [
    'Corrections are optional and can add up to 10 points. Due 28 October.',
    [['correct', '2026-10-28', null]],
  ],
  ['Please be on time on Monday.', []],
  ['He needs to serve a detention on Thursday.', []],
  [
    'I extended the due date by two days, so she can still hand it in on Friday.',
    [['hand-in', '2026-10-23', 1]],
  ],
  ['The online quiz will be open again from Monday to Wednesday.', [['retake', '2026-10-28', null]]],
  ['No make-up is possible for the group presentation.', []],
  ['After the break we will do a new project.', []],
  ['Finish it over the weekend and you can still earn 8 out of 10.', [['hand-in', '2026-10-25', 0.8]]],
  ['The essay can be revised as often as she likes before the end of the quarter.', [['redo', null, null]]],
  [
    'Anyone who missed the deadline can use the grace period that ends on Thursday.',
    [['hand-in', '2026-10-22', null]],
  ],
  ['Her next chance to take the test is Tuesday at 8.', [['retake', '2026-10-27', null]]],
  ['He does not want to redo it.', []],
  ['The test will be on chapters 3 and 4.', []],
  [
    'Credit for the missing page: 60 % this week, 40 % next week.',
    [
      ['hand-in', '2026-10-23', 0.6],
      ['hand-in', '2026-10-30', 0.4],
    ],
  ],
  ['Bring it by my room any morning before 8 and we will call it even.', [['hand-in', null, null]]],
  ['Please rewrite the summary in your own words. Due back to me Thursday.', [['redo', '2026-10-22', null]]],
  ['I am still accepting these. Partial credit.', [['hand-in', null, null]]],
];
