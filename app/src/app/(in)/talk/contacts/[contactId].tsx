import { useLocalSearchParams } from 'expo-router';
import { inTalk } from '../../../../places';

const ContactView = inTalk((talk) => talk.ContactView);

export default function Contact() {
  const { contactId, studentId = '' } = useLocalSearchParams<{ contactId: string; studentId?: string }>();
  return <ContactView key={contactId} {...{ contactId, studentId }} />;
}
