export { inboundMailRouter, receiveMail } from './inboundMail';
export { replyAddress, threadOfAddress } from './replyAddress';
export { messageRouter } from './routes';
export { mailTransport, sendMail, type MailDeps } from './sendMail';
export { sendLetter, unreadReplies } from './service';
