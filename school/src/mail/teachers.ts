import MailComposer from 'nodemailer/lib/mail-composer';
import type { Letter, Simulation } from '../simulation';
import { keelModel, mailOf, resultRow, schoolContacts, schools, type CourseSpec } from '../story';
import { deskAnswer, type Answer } from './desk';

export interface Teacher {
  readonly school: string;
  readonly address: string;
  readonly name: string;
  readonly courses: readonly CourseSpec[];
}

/** Every teacher who reads mail. */
export const teachers: readonly Teacher[] = schools.flatMap((school) => {
  const byAddress = new Map<string, CourseSpec[]>();
  for (const course of school.courses) {
    if (course.teacher.mail)
      byAddress.set(mailOf(course), [...(byAddress.get(mailOf(course)) ?? []), course]);
  }
  return [...byAddress].flatMap(([address, courses]): Teacher[] => {
    const teacher = courses[0]?.teacher;
    return teacher
      ? [{ school: school.id, address, name: `${teacher.givenName} ${teacher.familyName}`, courses }]
      : [];
  });
});

/** Reads letters and never answers: some do not. */
const silent = new Set(['s.oakham@quay-schools.example']);

/** Everyone who has a mailbox: the teachers, who answers for attendance at each school, offices and desks. */
export const mailboxes: readonly Teacher[] = [
  ...teachers,
  ...schools.map(({ id, attendanceDesk }) => ({
    school: id,
    address: attendanceDesk.mail,
    name: attendanceDesk.name,
    courses: [],
  })),
  ...Object.entries(schoolContacts).flatMap(([school, contacts]) =>
    contacts.flatMap(({ name, mail, mailboxClosed }) =>
      mail && !mailboxClosed ? [{ school, address: mail, name, courses: [] }] : [],
    ),
  ),
];

const { school, course, key, student } = keelModel;
const aboutTheKeel = ({ subject, text }: Letter): boolean => /keel model|maqueta/i.test(`${subject} ${text}`);

const isOffice = ({ school, address }: Teacher): boolean =>
  (schoolContacts[school] ?? []).some(({ mail }) => mail === address);
const officeText = 'Thanks for writing. We have your letter and will call if we need anything else.';

function answerTo(teacher: Teacher, letter: Letter): Answer {
  if (isOffice(teacher)) return { text: officeText };
  if (teacher.courses.length === 0) return deskAnswer(teacher.school, letter);
  if (teacher.courses.some(({ id }) => teacher.school === school && id === course) && aboutTheKeel(letter)) {
    return {
      text: 'Thank you for asking, and I’m sorry. The model was under the sailcloth the whole time, with his name on it, so he did turn it in. I graded it today: 17 of 20, with nothing taken off. The keel line is beautifully fair.',
      act: (simulation) => {
        const item = `${course}-${key}`;
        simulation.add(school, 'results', `${item}-${student}`, {
          lineItem: { sourcedId: item, type: 'lineItem' },
          student: { sourcedId: student, type: 'user' },
          scoreDate: simulation.now.slice(0, 10),
          ...resultRow({ status: 'fully graded', score: 17 }),
        });
      },
    };
  }
  return {
    text: 'Thanks for writing. I checked my records and will talk with your child in our next class. If anything is still missing after that, I’ll write again.',
  };
}

function compose(teacher: Teacher, letter: Letter, text: string): Promise<Buffer> {
  const quoted = letter.text
    .split('\n')
    .map((line) => `> ${line}`)
    .join('\n');
  return new MailComposer({
    messageId: `<answer-${letter.messageId.replace(/[<>@]/g, '')}@quay-schools.example>`,
    from: { name: teacher.name, address: teacher.address },
    to: letter.replyTo,
    subject: letter.subject.startsWith('Re:') ? letter.subject : `Re: ${letter.subject}`,
    inReplyTo: letter.messageId,
    references: [letter.messageId],
    text: `${text}\n\n${teacher.name}\n\nOn ${letter.receivedAt.slice(0, 10)} at ${letter.receivedAt.slice(11, 16)}, a guardian wrote:\n${quoted}\n`,
  })
    .compile()
    .build();
}

/** What a teacher's calendar answers to an invitation: yes. Null for one that is called off. */
function acceptance(invitation: string): string | null {
  const whole = invitation.replace(/\r\n[ \t]/g, '');
  if (!/^METHOD:REQUEST$/m.test(whole.replace(/\r/g, ''))) return null;
  return whole
    .replace('METHOD:REQUEST', 'METHOD:REPLY')
    .replace('PARTSTAT=NEEDS-ACTION', 'PARTSTAT=ACCEPTED');
}

function composeReply(teacher: Teacher, letter: Letter, content: string): Promise<Buffer> {
  return new MailComposer({
    messageId: `<reply-${letter.messageId.replace(/[<>@]/g, '')}@quay-schools.example>`,
    from: { name: teacher.name, address: teacher.address },
    to: letter.replyTo,
    subject: `Accepted: ${letter.subject}`,
    inReplyTo: letter.messageId,
    text: '',
    icalEvent: { method: 'REPLY', content },
  })
    .compile()
    .build();
}

/** Every letter of an earlier day is answered: by mail, and by doing what it asked for. */
export async function answerLetters(
  simulation: Simulation,
  post: (mime: Buffer) => Promise<void>,
): Promise<void> {
  for (const letter of simulation.letters) {
    const teacher = mailboxes.find(({ address }) => address === letter.to);
    if (!teacher || silent.has(teacher.address) || letter.answeredAt || letter.receivedAt >= simulation.now)
      continue;
    if (letter.invitation !== undefined) {
      const content = acceptance(letter.invitation);
      if (content !== null) await post(await composeReply(teacher, letter, content));
      simulation.answered(letter);
      continue;
    }
    const answer = answerTo(teacher, letter);
    await post(await compose(teacher, letter, answer.text));
    answer.act?.(simulation);
    simulation.answered(letter);
  }
}
