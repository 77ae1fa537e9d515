import type { Marked } from './marked';

/** A fifth collection, English: each comment was written before it was seen how the readers take it. */
export const fifthEnglish: readonly Marked[] = [
  ['Still waiting on the bibliography. Accepting it until Monday at 50 %.', [['hand-in', '2026-10-26', 0.5]]],
  ['Please turn this in as soon as possible.', [['hand-in', null, null]]],
  ['Isolde may resubmit with corrections through the end of next week.', [['correct', '2026-10-30', null]]],
  [
    'He ran out of time. I will let him finish tomorrow during study hall.',
    [['hand-in', '2026-10-22', null]],
  ],
  [
    'Reassessment opportunity: Monday, 26 October, after school in room 12.',
    [['retake', '2026-10-26', null]],
  ],
  ['I graded this as a draft. The final version is due on 2 November.', [['redo', '2026-11-02', null]]],
  ['Good thinking, sloppy writing.', []],
  ['One more day to get your reading log in!', [['hand-in', '2026-10-22', null]]],
  [
    'Missing assignments may be turned in for up to 70 % credit until 6 November.',
    [['hand-in', '2026-11-06', 0.7]],
  ],
  [
    'Your child can retake this assessment once they have completed the practice sheet.',
    [['retake', null, null]],
  ],
  ['Revision accepted by appointment only, before the 30th.', [['redo', '2026-10-29', null]]],
  [
    'Please see the rubric. Rewrite paragraphs two and three and bring them to me on Monday.',
    [['redo', '2026-10-26', null]],
  ],
  ['The window for late work closed last Friday.', []],
  ['I am not able to give credit for this anymore.', []],
  ['He was excused because of the competition.', []],
  [
    'Turn in the missing half by tomorrow for full credit; by Friday for half.',
    [
      ['hand-in', '2026-10-22', 1],
      ['hand-in', '2026-10-23', 0.5],
    ],
  ],
  ['Since the internet was down, everyone has until Sunday night.', [['hand-in', '2026-10-25', null]]],
  ['Try again! Attempts are unlimited until Friday.', [['redo', '2026-10-23', null]]],
  [
    'I would accept a recording instead of a live performance, if it is here by 28 October.',
    [['hand-in', '2026-10-28', null]],
  ],
  ['Nice improvement over last time.', []],
  [
    'It is not too late. Hand it in this week and I will take off only 5 %.',
    [['hand-in', '2026-10-23', 0.95]],
  ],
  [
    'You may correct your errors in a different colour and return the test on Monday for half the points back.',
    [['correct', '2026-10-26', 0.5]],
  ],
  [
    'Caspian needs to make up the dictation he missed; he can do so on Thursday or Friday morning.',
    [['retake', '2026-10-23', null]],
  ],
  ['Our next unit begins on Monday.', []],
  ['Late work is not accepted in this class.', []],
  ['Do not worry about this one, it does not count.', []],
  [
    'This needs a second look before it can be graded. Please rework the graph and send it by Tuesday evening.',
    [['redo', '2026-10-27', null]],
  ],
  [
    'I can offer her an oral exam in place of the essay, any day until 3 November.',
    [['retake', '2026-11-03', null]],
  ],
  [
    'A corrected lab report is worth up to 90 % if it is submitted by the 29th.',
    [['correct', '2026-10-29', 0.9]],
  ],
  ['The deadline was extended to Thursday for the whole class.', [['hand-in', '2026-10-22', 1]]],
  ['I will reopen the assignment tonight for 24 hours.', [['hand-in', '2026-10-22', null]]],
  ['She chose not to retake the test.', []],
  ['Reminder to return library books by Friday.', []],
  ['There is no penalty as long as the project is in by Monday morning.', [['hand-in', '2026-10-26', 1]]],
  ['Graded out of 20. Well organised.', []],
  ['Let me know by Thursday if she wants to retake it.', [['retake', '2026-10-22', null]]],
  [
    'You lost 4 points for missing labels. Label the diagram and show it to me by Friday to get them back.',
    [['hand-in', '2026-10-23', null]],
  ],
  ['Half credit through Friday, nothing after.', [['hand-in', '2026-10-23', 0.5]]],
  [
    'Anything received after 3 November will not count toward this quarter.',
    [['hand-in', '2026-11-03', null]],
  ],
  ['The makeup lab is scheduled for Wednesday, 28 October.', [['hand-in', '2026-10-28', null]]],
];
