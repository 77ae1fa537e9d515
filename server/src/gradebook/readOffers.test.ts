import { workRoutes, type Offer, type Work } from '@cadro/contract';
import { readersEdition } from '@cadro/core/offers';
import { readNewComments } from '.';
import { World } from '../testing/world';

let world: World;
beforeAll(async () => {
  world = await World.read('once');
});
afterAll(() => world.stop());

interface Kept {
  readonly offers: readonly Offer[];
  readonly offers_edition: number;
}
const kept = (id: string) => world.db('comments').where({ id }).first<Kept>('offers', 'offers_edition');
/** As an earlier edition of the readers left it: it had found one thing, and another than is there. */
const asBefore = (id: string) =>
  world
    .db('comments')
    .where({ id })
    .update({
      offers: JSON.stringify([{ kind: 'hand-in', until: null, credit: 0.1, quote: 'x' }]),
      offers_edition: readersEdition - 1,
    });

it('reads anew what an earlier edition has read, once, and leaves what a household has answered', async () => {
  await world.household('readers', [{ name: 'maren', children: ['isolde', 'caspian', 'pet'] }]);
  const maren = await world.signedIn('maren');
  const { offers } = (await maren.get(workRoutes.work.path).expect(200)).body as Work;
  const [answered, other] = offers.filter(({ answer }) => answer === null);
  if (!answered || !other) throw new Error('the story has fewer than two offers');
  const path = workRoutes.offer.path
    .replace(':studentId', answered.studentId)
    .replace(':commentId', answered.commentId);
  await maren.post(path).send({ place: answered.place, answer: 'confirmed' }).expect(200);
  const before = await kept(other.commentId);
  for (const { commentId } of [answered, other]) await asBefore(commentId);

  await readNewComments(world.db, [answered.studentId, other.studentId]);
  expect(await kept(other.commentId)).toEqual({ offers: before?.offers, offers_edition: readersEdition });
  expect(await kept(answered.commentId)).toMatchObject({
    offers: [{ credit: 0.1 }],
    offers_edition: readersEdition,
  });

  // A text that has changed is read whatever was answered.
  await world.db('comments').where({ id: answered.commentId }).update({ text: 'You may redo it by Friday.' });
  await readNewComments(world.db, [answered.studentId]);
  expect((await kept(answered.commentId))?.offers).toMatchObject([{ kind: 'redo', credit: null }]);
});
