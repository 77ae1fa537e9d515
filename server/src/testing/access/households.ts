import {
  alertRoutes,
  deskRoutes,
  elsewhereRoutes,
  entryRoutes,
  followUpRoutes,
  meetingRoutes,
  messageRoutes,
  noteRoutes,
  sitdownRoutes,
  tryRoutes,
} from '@cadro/contract';
import type { Db } from '../../kit';
import { World } from '../world';
import { calendarFile, entry, feed, heldBack, meeting, type Ids, pushDevice } from './callers';

/** An answer to a thread that nobody has confirmed, with a file. */
async function heldAnswer(
  db: Db,
  { studentId, threadId }: { studentId: string; threadId: string },
): Promise<Pick<Ids, 'messageId' | 'fileId'>> {
  const [message] = await db('messages')
    .insert({
      ...{ student_id: studentId, thread_id: threadId, from_teacher: true, author: 'W. Thornwick' },
      ...{ subject: 'Re: A keel of ours', text: 'It is in the shed', at: '2026-10-21T18:30:00Z' },
      ...{
        state: 'received',
        mime_id: '<held@else.example>',
        doubt: 'other-sender',
        sender: 'w@else.example',
      },
    })
    .returning<{ id: string }[]>('id');
  const messageId = message?.id ?? '';
  const [file] = await db('message_files')
    .insert({
      ...{ student_id: studentId, message_id: messageId, position: 0, name: 'keel.txt' },
      ...{ media_type: 'text/plain', size: 4, content: Buffer.from('keel') },
    })
    .returning<{ id: string }[]>('id');
  return { messageId, fileId: file?.id ?? '' };
}

/** A time that a teacher offers and nobody has. */
async function freeSlot(db: Db, teacherId: string): Promise<string> {
  const slot = await db('slots').where({ teacher_id: teacherId, taken: false }).first<{ id: string }>('id');
  return slot.id;
}

/** The households of the table, and what the guardian's has of everything. */
export async function accessWorld(): Promise<{ world: World; ids: Ids }> {
  const world = await World.read();
  await world.household('here', [
    { name: 'guardian', children: ['caspian'] },
    { name: 'looker', role: 'look-only', children: ['caspian'] },
    { name: 'student', role: 'student', children: ['caspian'] },
    { name: 'sibling', role: 'student', children: ['isolde'] },
    { name: 'helper', role: 'helper', children: ['caspian'] },
    { name: 'ended', children: ['caspian'], ended: true },
    { name: 'second', children: ['caspian'] },
  ]);
  await world.household('elsewhere', [{ name: 'stranger', children: ['neighbour-b'] }]);
  await world.household('apart', [{ name: 'apart', children: ['caspian'] }]);
  await world.household('held', [{ name: 'restricted', children: ['caspian'] }]);
  const second = await world
    .db('guardians')
    .where({ email: 'second@test.example' })
    .first<{ id: string }>('id');
  await world
    .db('guardian_links')
    .where({ guardian_id: second.id })
    .update({ linked_at: '2026-01-08T12:00:00Z' });
  const guardian = await world.signedIn('guardian');
  const studentId = world.student('caspian');
  const itemId = await world.itemId('boats-keel-model', 'millrace');
  const courseId = await world.courseId('boats', 'millrace');
  await world
    .db('guardian_links')
    .where({ role: 'helper' })
    .update({ courses: [courseId], ends_on: '2026-12-01' });
  const followUp = await guardian
    .post(followUpRoutes.create.path)
    .send({ studentId, itemId, title: 'Keel model' })
    .expect(201);
  const teacherId = followUp.body.teacher.id as string;
  const thread = await guardian
    .post(messageRoutes.send.path)
    .send({ studentId, teacherId, subject: 'A keel of ours', text: 'Why the keel is late' })
    .expect(202);
  const comment = await world
    .db('comments')
    .where({ item_id: itemId, student_id: studentId })
    .first<{ id: string } | undefined>('id');
  const kept = await guardian
    .post(tryRoutes.keep.path.replace(':studentId', studentId).replace(':courseId', courseId))
    .send({ name: 'A first guess of ours', scores: [{ itemId, earned: 20 }] })
    .expect(200);
  const announcement = await world
    .db('announcements')
    .where({ course_id: courseId })
    .first<{ id: string }>('id');
  const ids = {
    ...{ on: '2026-10-19', token: 'an-address-that-nobody-has', sessionId: 'a'.repeat(64) },
    ...{ passkeyId: '0d4f3c1a-1b2c-4d5e-8f90-a1b2c3d4e5f6', personId: second.id, invitationId: '' },
    ...{
      entryId: '',
      feedId: '',
      importId: '',
      alertId: '',
      silenceId: '',
      deviceId: '',
      wordId: '',
      pieceId: '',
    },
    ...{ noteId: '', sitdownId: '', meetingId: '', guestId: '', slotId: '' },
    ...{ sourceId: world.sources.get('millrace') ?? '', bundleId: '0d4f3c1a-1b2c-4d5e-8f90-a1b2c3d4e5f7' },
    ...{ clientId: '0d4f3c1a-1b2c-4d5e-8f90-a1b2c3d4e5f8', mailId: '0d4f3c1a-1b2c-4d5e-8f90-a1b2c3d4e5f9' },
    studentId,
    otherId: studentId,
    courseId,
    itemId,
    followUpId: followUp.body.id as string,
    threadId: thread.body.id as string,
    teacherId,
    commentId: comment?.id ?? '',
    tryId: kept.body.tries[0].id as string,
    announcementId: announcement.id,
    ...(await heldAnswer(world.db, { studentId, threadId: thread.body.id as string })),
    part: 'day:2026-11-05',
  };
  const made = async (path: string, body: object): Promise<string> =>
    (await guardian.post(path).send(body).expect(201)).body.id as string;
  ids.invitationId = await made('/api/people/invitations', {
    ...{ studentIds: [studentId], role: 'look-only', email: null, together: true },
  });
  ids.noteId = await made(noteRoutes.write.path, {
    ...{ studentId, courseId, on: '2026-10-20', text: 'Why he came home cold', shared: true },
  });
  ids.sitdownId = await made(sitdownRoutes.begin.path, { on: '2026-10-25' });
  ids.slotId = await freeSlot(world.db, teacherId);
  ids.meetingId = await made(meetingRoutes.add.path, meeting(ids));
  const asked = await guardian
    .post(meetingRoutes.invite.path.replace(':meetingId', ids.meetingId))
    .send({ name: 'Tobiah', address: 'tobiah@aldervane.example' })
    .expect(200);
  ids.guestId = asked.body.guests[0].id as string;
  ids.entryId = await made(entryRoutes.create.path, entry(ids));
  ids.feedId = await made(elsewhereRoutes.create.path, feed(ids));
  await guardian
    .post(elsewhereRoutes.import.path)
    .send({ ...calendarFile, studentId, preview: false })
    .expect(200);
  const own = await world
    .db('guardians')
    .where({ email: 'guardian@test.example' })
    .first<{ id: string }>('id');
  const [alert] = await world
    .db('alerts')
    .insert({
      ...{ guardian_id: own.id, key: 'look:x', episode: 1, kind: 'upkeep', student_id: studentId },
      ...{
        raised_at: '2026-10-20T18:00:00Z',
        told_at: '2026-10-20T18:00:00Z',
        news_at: '2026-10-20T18:00:00Z',
      },
      ...{ reasons: '[]', known: '[]', told: '[]' },
    })
    .returning<{ id: string }[]>('id');
  ids.alertId = alert?.id ?? '';
  ids.silenceId = await made(alertRoutes.silence.path, {
    ...{ alertKey: null, studentId, courseId: null, kind: 'figure', until: '2026-10-28' },
  });
  ids.deviceId = await made(alertRoutes.addDevice.path, pushDevice());
  const student = await world.signedIn('student');
  const desk = (path: string, body: object) =>
    student.post(path.replace(':studentId', studentId)).send(body).expect(201);
  const said = await desk(deskRoutes.say.path, { wish: 'talk', itemId, text: 'A keel is hard for me' });
  ids.wordId = said.body.words[0].id as string;
  const piece = { title: 'A raft of mine', why: 'It did not sink', shown: true };
  ids.pieceId = (await desk(deskRoutes.keep.path, piece)).body.pieces[0].id as string;
  const guardian_id = await world.personId('restricted');
  const held = { student_id: studentId, guardian_id, made_at: await world.clock.now() };
  await world.db('restrictions').insert(heldBack(ids).map((each) => ({ ...held, ...each })));
  ids.importId = (await guardian.get(elsewhereRoutes.list.path)).body.imports[0].id as string;
  return { world, ids };
}

/** Words of the course that is held back, which stand in no other of the child's, and of what teachers have written. */
export async function wordsHeldBack(db: Db, { studentId, courseId }: Ids): Promise<string[]> {
  const ofChild = () => db('student_items').where({ student_id: studentId });
  const elsewhere = ofChild().whereNot({ course_id: courseId }).select('title');
  const titles: string[] = await ofChild()
    .where({ course_id: courseId })
    .whereNotIn('title', elsewhere)
    .pluck('title');
  const texts: string[] = await db('comments').where({ student_id: studentId }).pluck('text');
  return [...titles, ...texts.map((text) => JSON.stringify(text.slice(0, 40)).slice(1, -1))];
}
