/* What changes at the schools in a run: by hand, and the same wherever the same is asked for. */

const nth = (all, pick) => all[pick % all.length];
const byId = (a, b) => (a.id < b.id ? -1 : 1);
const isScored = ({ row }) => typeof row.score === 'number';

/** What a record of a collection becomes; null where there is none of the kind. */
const becomes = {
  score: {
    collection: 'results',
    of: isScored,
    to: ({ row }, { share }, today) => ({ ...row, score: Math.round(row.score * share), scoreDate: today }),
  },
  missing: {
    collection: 'results',
    of: isScored,
    to: ({ row: { score: _score, ...row } }, _change, today) => ({
      ...{ ...row, scoreStatus: 'not submitted', missing: 'true', scoreDate: today },
    }),
  },
  comment: {
    collection: 'comments',
    of: ({ row }) => typeof row.text === 'string',
    to: ({ row }, { says }) => ({ ...row, text: says }),
  },
  attendance: {
    collection: 'attendance',
    of: ({ row }) => typeof row.code === 'string',
    to: ({ row }, { pick }, _today, all) => ({ ...row, code: nth(all, pick + 1).row.code }),
  },
};

/** Changes one record at one school. */
export async function changeSchool(place, change, today) {
  const { collection, of, to } = becomes[change.kind];
  const { records } = await place.school(`/demo/records/${change.school}/${collection}`);
  const all = records.filter(of).sort(byId);
  const found = all.length > 0 ? nth(all, change.pick) : null;
  if (!found) return;
  const path = `/demo/records/${change.school}/${collection}/${encodeURIComponent(found.id)}`;
  await place.school(path, 'PUT', to(found, change, today, all));
}
