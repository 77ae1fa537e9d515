/* What the levels of Little Fathom's standards look like: 1 is the same for all, then 2, 3 and 4. */
const texts: Readonly<Record<string, readonly [two: string, three: string, four: string]>> = {
  'read-aloud': [
    'Reads aloud with stops at many words',
    'Reads so that others can follow without the page',
    'Gives each voice in the story its own sound',
  ],
  'read-retell': [
    'Tells the beginning and the end',
    'Tells beginning, middle and end in order',
    'Tells it in order and says why each thing led to the next',
  ],
  'read-guess': [
    'Guesses from the picture',
    'Guesses from the sentence around the word',
    'Checks the guess against the rest of the page',
  ],
  'read-choose': [
    'Takes the book a friend has',
    'Chooses a book and says why',
    'Says for whom else it would be right',
  ],
  'num-hundreds': [
    'Adds and takes away up to 100',
    'Adds and takes away up to 1,000 on paper',
    'Does it in the head and explains a short way',
  ],
  'num-times': [
    'Knows the tables of 2 and 10',
    'Knows those of 2, 3, 5 and 10',
    'Uses them to share and to find a missing number',
  ],
  'num-scale': [
    'Reads lengths along one side',
    'Reads any length from a scale drawing',
    'Draws a plan of a room to a scale of their own',
  ],
  'num-time': [
    'Tells the time to the quarter',
    'Tells it to the minute',
    'Works out how long until the ferry goes',
  ],
  'isl-observe': [
    'Draws what is known, not what is there',
    'Draws what is there, with its parts named',
    'Draws what has changed since the last look',
  ],
  'isl-ask': ['Asks why', 'Asks a question that can be tested', 'Says beforehand what would show the answer'],
  'isl-living': [
    'Sorts by color or size',
    'Sorts by a rule and keeps to it',
    'Finds a living thing that does not fit, and mends the rule',
  ],
  'isl-weather': [
    'Writes down the weather on some days',
    'Keeps the record every school day',
    'Finds a pattern in a month of records',
  ],
  'mak-plan': [
    'Begins and sees',
    'Draws a plan and gathers what is needed',
    'Changes the plan on paper when it does not work',
  ],
  'mak-join': [
    'Joins with help',
    'Joins so that it holds',
    'Chooses the join that fits the material, and says why',
  ],
  'mak-mend': [
    'Asks for a new piece',
    'Finds what did not work and mends it',
    'Mends it so that it is better than before',
  ],
  'mak-tell': [
    'Shows what was made',
    'Tells the steps in order',
    'Tells it so that another child can make it',
  ],
};

export const levelsOf = (standardId: string): { level: number; text: string }[] => {
  const found = texts[standardId];
  if (!found) return [];
  return ['Begins to, with help at each step', ...found].map((text, index) => ({ level: index + 1, text }));
};
