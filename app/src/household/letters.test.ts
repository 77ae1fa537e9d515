import { lettersOf } from './letters';

it.each([
  [
    ['Isolde', 'Caspian', 'Pet'],
    ['I', 'C', 'P'],
  ],
  [
    ['Pet', 'Paul', 'Isolde'],
    ['Pe', 'Pa', 'I'],
  ],
  [
    ['Pet', 'Pete'],
    ['Pe', 'Pe'],
  ],
  [['Ä'], ['Ä']],
  [[], []],
])('%j → %j', (names, letters) => expect(lettersOf(names)).toEqual(letters));
