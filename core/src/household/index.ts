export { codeLetter, type CodeLetterFacts, type CodeLetterWords } from './codeLetter';
export { accountLetter, type AccountLetter, type AccountWords } from './letters';
