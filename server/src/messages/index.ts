export { receiveAnswer } from './answers';
export { exportedLetters } from './exported';
export { messageRouter } from './routes';
export { sendMail } from './sendMail';
export { sendLetter, unreadReplies } from './service';
export { letterReturned, letterStates, threadWith } from './store';
