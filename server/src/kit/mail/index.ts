export { idOfAddress, mailAddress, type AddressKind } from './addresses';
export { refusedReceiver, returnedMail, type Returned } from './returned';
export { mailTransport } from './transport';
export * from './mailPage';
