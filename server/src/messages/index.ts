export { receiveAnswer } from './answers';
export { receiveFirst } from './first';
export { exportedLetters } from './exported';
export { messageRouter } from './routes';
export { sendMail } from './sendMail';
export { letterReturned, letterStates, lettersTo, lettersWith } from './letterStore';
export { threadWith } from './store';
export { unreadReplies } from './threads';
export { sendLetter } from './sending';
