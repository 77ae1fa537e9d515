import type { TFunction } from 'i18next';
import type { Contact } from '@cadro/contract';

/** A room by its number, or by the name it has. */
const roomWords = (t: TFunction, room: string): string =>
  /^\d/.test(room) ? t('contacts.room', { room }) : room;

/** What a contact is for: a teacher's courses with when and where, or what an office answers for. */
export function dutiesOf(t: TFunction, { courses, answersFor }: Contact): string[] {
  const taught = courses.map(({ title, period, room }) =>
    [
      title,
      ...(period ? [t('contacts.period', { period })] : []),
      ...(room ? [roomWords(t, room)] : []),
    ].join(' · '),
  );
  return [...taught, ...(answersFor ? [answersFor] : [])];
}

/** How a contact is reached, each way with its name. */
export function reachOf(t: TFunction, contact: Contact): string[] {
  const { email, phone, room, hours, language } = contact;
  const named = language ? new Intl.DisplayNames([language], { type: 'language' }).of(language) : null;
  return [
    ...(email ? [email] : []),
    ...(phone ? [phone] : []),
    ...(room ? [roomWords(t, room)] : []),
    ...(hours ? [hours] : []),
    ...(named ? [t('contacts.language', { language: named })] : []),
  ];
}
