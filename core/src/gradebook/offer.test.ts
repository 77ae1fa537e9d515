import type { CourseRecord } from '@cadro/contract';
import { course, item, scored } from '../testing/courses';
import { courseAnswer } from '../outlook';
import { withOffers, type ConfirmedOffer } from './offer';

const record = course(
  {
    items: [item('a', { acceptedUntil: '2026-10-10T12:00:00Z' }), item('b'), item('c')],
    results: [scored('b', 16), { itemId: 'a', at: '2026-10-05T12:00:00Z', status: 'missing' }],
  },
  { late: { kind: 'flat', credit: 0.5 } },
);
const offer = (more: Partial<ConfirmedOffer> = {}): ConfirmedOffer => ({
  itemId: 'a',
  until: '2026-10-30T23:59:00Z',
  credit: 0.75,
  since: '2026-10-06T12:00:00Z',
  ...more,
});
const offerOf = (offers: readonly ConfirmedOffer[]) =>
  withOffers(record, offers).items?.find(({ id }) => id === 'a')?.offer;

describe('a confirmed offer', () => {
  it('makes a loose end recoverable that was not, for its credit and to its day', () => {
    const endOf = (of: CourseRecord) => courseAnswer(of).looseEnds.find(({ itemId }) => itemId === 'a');
    expect(endOf(record)).toMatchObject({ recoverable: false, credit: 0, impact: 0 });
    const end = endOf(withOffers(record, [offer()]));
    expect(end).toMatchObject({ recoverable: true, credit: 0.75, deadline: '2026-10-30T23:59:00Z' });
    expect(end?.impact).toBeGreaterThan(0);
  });

  it('runs to the end of the term when it names no day, and takes nothing off when it names no credit', () => {
    expect(offerOf([offer({ until: null, credit: null })])).toEqual({
      until: '2026-11-06T23:59:00Z',
      credit: 1,
    });
  });

  it.each([
    ['more credit', [offer({ credit: 0.5 }), offer({ credit: 0.9 })], 0.9],
    [
      'what is still open',
      [offer({ credit: 1, until: '2026-10-01T00:00:00Z' }), offer({ credit: 0.5 })],
      0.5,
    ],
    ['the first of equal ones', [offer(), offer()], 0.75],
  ])('of several, is the one with %s', (_, offers, credit) => {
    expect(offerOf(offers)?.credit).toBe(credit);
    expect(offerOf([...offers].reverse())?.credit).toBe(credit);
  });

  it('is over once a score or an excuse has come after it, and not by one that came before', () => {
    const again = { itemId: 'b', credit: 1, since: '2026-10-20T12:00:00Z' };
    const offered = (results: CourseRecord['results'], asOf = record.asOf) =>
      withOffers({ ...record, asOf, results: results ?? [] }, [offer(again)]).items?.find(
        ({ id }) => id === 'b',
      )?.offer ?? null;
    expect(offered([scored('b', 12, '2026-10-19T12:00:00Z')])).not.toBeNull();
    expect(offered([scored('b', 18, '2026-10-21T12:00:00Z')])).toBeNull();
    expect(offered([{ itemId: 'b', at: '2026-10-21T12:00:00Z', status: 'excused' }])).toBeNull();
    expect(offered([{ itemId: 'b', at: '2026-10-21T12:00:00Z', status: 'missing' }])).not.toBeNull();
    expect(offered([scored('b', 18, '2026-10-21T19:00:00Z')])).not.toBeNull();
    expect(courseAnswer(withOffers(record, [offer(again)])).chances).toMatchObject([{ itemId: 'b' }]);
  });

  it('does not take a better one of the record away, and leaves other works alone', () => {
    const own = { until: '2026-11-01T00:00:00Z', credit: 1 };
    const withOwn = { ...record, items: (record.items ?? []).map((each) => ({ ...each, offer: own })) };
    expect(withOffers(withOwn, [offer()]).items).toEqual(withOwn.items);
    expect(withOffers(record, [offer({ itemId: 'nothing' })]).items).toEqual(record.items);
    expect(withOffers(record, [])).toBe(record);
  });
});
