export { codeLetters } from './codeLetters';
