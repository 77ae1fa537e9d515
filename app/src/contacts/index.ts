export { ContactsScreen } from './ContactsScreen';
export { ContactView } from './ContactView';
