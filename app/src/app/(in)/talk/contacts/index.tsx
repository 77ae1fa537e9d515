import { inTalk } from '../../../../places';

const ContactsScreen = inTalk((talk) => talk.ContactsScreen);

export default function Contacts() {
  return <ContactsScreen />;
}
