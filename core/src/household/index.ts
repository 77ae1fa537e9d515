export { accountLetter, type AccountLetter, type AccountWords } from './letters';
