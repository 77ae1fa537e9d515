import type { Marked } from './marked';

/** An eleventh collection, English: each comment was written before it was seen how the readers take it. */
export const eleventhEnglish: readonly Marked[] = [
  [
    'Missing the graph on page 3. Send it over by tomorrow evening and you get the full 10 points.',
    [['hand-in', '2026-10-22', 1]],
  ],
  ['Caspian, see me about making up the test before Friday.', [['retake', '2026-10-22', null]]],
  [
    'The essay is good enough for a C, but he can rewrite it by 30 October if he wants a better grade.',
    [['redo', '2026-10-30', null]],
  ],
  ['Work turned in after today is graded out of half.', [['hand-in', null, 0.5]]],
  ['I still need: log 2, log 3, map. All by Monday.', [['hand-in', '2026-10-26', null]]],
  ['Please let me know if there is anything I can do to help.', []],
  [
    'You can come to the library on Thursday after school to finish the assignment.',
    [['hand-in', '2026-10-22', null]],
  ],
  ['She has shown me the notebook, so the missing mark is gone.', []],
  [
    'For every corrected answer with an explanation you earn back half a point; the cut-off is 2 November.',
    [['correct', '2026-11-02', null]],
  ],
  ['Our policy: one retake per test, within two weeks.', [['retake', '2026-11-04', null]]],
  ['He will need to resubmit, because the link is private.', [['redo', null, null]]],
  [
    'The project was due yesterday; the last day for late credit is 28 October (60 %).',
    [['hand-in', '2026-10-28', 0.6]],
  ],
  ['Pet forgot to write her name. No harm done.', []],
  ['Good news: I am giving everybody two more days.', [['hand-in', '2026-10-23', null]]],
  ['The next chance to sit the test is on 6 November in room 4.', [['retake', '2026-11-06', null]]],
  ['Please print it and bring it with you on Friday.', [['hand-in', '2026-10-23', null]]],
  ['This will stay a 12 of 20.', []],
  ['Bonus work can be turned in until the end of the month.', [['hand-in', '2026-10-31', null]]],
  ['You may use your notes on the test on Monday.', []],
  ['It is fine if it comes a day late.', [['hand-in', null, null]]],
];
