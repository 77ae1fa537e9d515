/* What comes back to a letter, and what comes with it. An entry of its own: the server's alone. */
export { readsAutomatic } from './automatic';
export { isPlainText, judgeFile, mostFiles, mostOfAllFiles, mostOfOneFile, safeFileName } from './files';
export { readAnswer } from './read';
