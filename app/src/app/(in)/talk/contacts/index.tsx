import { ContactsScreen } from '../../../../contacts';

export default function Contacts() {
  return <ContactsScreen />;
}
