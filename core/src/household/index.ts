export { excerptOf } from './excerpt';
export { codeLetter, type CodeLetterFacts, type CodeLetterWords } from './codeLetter';
export { accountLetter, accountLetters, type AccountLetter, type AccountWords } from './letters';
