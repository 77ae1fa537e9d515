export { receiveAnswer } from './answers';
export { messageRouter } from './routes';
export { sendMail, type MailDeps } from './sendMail';
export { sendLetter, unreadReplies } from './service';
export { letterReturned } from './store';
