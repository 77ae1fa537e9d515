import { useLocalSearchParams } from 'expo-router';
import { ContactView } from '../../../../contacts';

export default function Contact() {
  const { contactId, studentId = '' } = useLocalSearchParams<{ contactId: string; studentId?: string }>();
  return <ContactView key={contactId} {...{ contactId, studentId }} />;
}
