import type { Marked } from './marked';

/** A fourth collection, English: each comment was written before it was seen how the readers take it. */
export const fourthEnglish: readonly Marked[] = [
  [
    'No name on the paper. Claim it from the tray by Friday and I will enter the score.',
    [['hand-in', '2026-10-23', null]],
  ],
  ['I know it was a hard week. Take until Tuesday.', [['hand-in', '2026-10-27', null]]],
  ['Would love to see this revised; the door is open until 4 November.', [['redo', '2026-11-04', null]]],
  [
    'Her lab partner has the data, so she can write it up and give it to me Monday.',
    [['hand-in', '2026-10-26', null]],
  ],
  [
    'If she wants those points back, corrections go in the blue folder by Thursday.',
    [['correct', '2026-10-22', null]],
  ],
  ['I drop one homework grade per quarter.', []],
  ['Missed: vocab quiz. Make-up in my room, Tuesday, 7.45.', [['retake', '2026-10-27', null]]],
  [
    'Grade reflects two missing parts. Both can still be submitted, 50 % max, until the 28th.',
    [['hand-in', '2026-10-28', 0.5]],
  ],
  ['Please encourage him to come to office hours on Wednesday.', []],
  [
    'This one is an easy fix: add units to each answer, resubmit, and I will regrade it.',
    [['redo', null, null]],
  ],
  ['Late penalty waived. Just get it in before the end of the month.', [['hand-in', '2026-10-31', 1]]],
  ['Can be redone for a C at most.', [['redo', null, 0.7]]],
  ['The rewrite came in today. Much stronger!', []],
  ['All retakes have to be finished by 5 November.', [['retake', '2026-11-05', null]]],
  ['He is exempt from this one.', []],
  ['I have put in a zero for now. It will be changed as soon as I get the work.', [['hand-in', null, null]]],
  ['The zero is a placeholder until he turns in the map.', [['hand-in', null, null]]],
  [
    'Pet did not finish in class and may take the sheet home; back on Friday please.',
    [['hand-in', '2026-10-23', null]],
  ],
  ['Thursday is picture day.', []],
  [
    'You can still get full credit if you show me the experiment notebook before Monday.',
    [['hand-in', '2026-10-25', 1]],
  ],
  ['Great recovery after the first quiz.', []],
  ['The test is open book. It takes place on Friday.', []],
  ['Due to the storm, the essay is now due on Monday the 26th.', [['hand-in', '2026-10-26', 1]]],
  ['I take late projects for one more week, 15 % off.', [['hand-in', '2026-10-28', 0.85]]],
  [
    'A second chance will be given to all who failed, on 30 October during fourth period.',
    [['retake', '2026-10-30', null]],
  ],
  ['Please do not send work through the messaging app.', []],
  ['It is too late to change this grade.', []],
  [
    'She forgot to submit the second file. I will accept it tomorrow, no later.',
    [['hand-in', '2026-10-22', null]],
  ],
  [
    'If you fix the three marked sentences by Monday I will raise it to an A.',
    [['correct', '2026-10-26', 0.9]],
  ],
  [
    'I will be collecting notebooks again next Wednesday; missing entries can be filled in until then.',
    [['hand-in', '2026-10-28', null]],
  ],
  [
    'Your poster is beautiful but the sources are missing. Add them by Friday for the last 4 points.',
    [['hand-in', '2026-10-23', null]],
  ],
  ['He has a week from today to turn in anything that is missing.', [['hand-in', '2026-10-28', null]]],
  ['Quiz 3 may be retaken up to and including 2 November.', [['retake', '2026-11-02', null]]],
  ['The group agreed to meet on Sunday.', []],
  ['Not graded yet. I will get to it this weekend.', []],
  ['You get one redo per quarter, and this could be it.', [['redo', null, null]]],
  ['Extra help is on Mondays and Thursdays.', []],
  ['Turn the rough draft in with the final copy next Friday.', [['hand-in', '2026-10-30', null]]],
  ['The points for question 7 were added by mistake.', []],
  [
    'I can only accept it if there is a note from home, by Friday at the latest.',
    [['hand-in', '2026-10-23', null]],
  ],
];
