export { contactsFor } from './contacts';
export { contactRouter } from './routes';
