export { idOfAddress, mailAddress, type AddressKind } from './addresses';
export { refusedReceiver, returnedMail, type Returned } from './returned';
export { isAutomatic, isOneAddress, senderVerdict, type Verdict } from './verdict';
export { mailTransport, ofAMachine, WatchedMail, type MailCarrier } from './transport';
export * from './mailPage';
