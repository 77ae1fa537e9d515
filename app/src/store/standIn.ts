import { pathOf, type Ask, type ServerProblem, type Tried, type Way } from './asking';
import { copiesEra, copyOf, dropCopy, keepCopy } from './copies';
import type { Prefs } from './prefs';
import { copyShown, heard, isNews, wentAway, type Reach } from './reach';

/** What is known of the page: no more than this of it is asked for here, and nothing of it need be there. */
interface Known {
  readonly api?: { readonly queries: Readonly<Record<string, { readonly data?: unknown } | undefined>> };
  readonly prefs?: Pick<Prefs, 'device'>;
  readonly reach?: Reach;
}
const known = (state: unknown) => state as Known; // the store's own, in the parts that it has

/** The id of who is signed in here, as far as the page knows. */
export const personOf = (state: unknown): string | null => {
  const me = known(state).api?.queries['me(undefined)']?.data;
  return typeof me === 'object' && me !== null && 'id' in me ? String(me.id) : null;
};

/** Whether copies are kept here: on a device that is said to be the own one of whoever is signed in. */
const keeps = (state: unknown): boolean => {
  const device = known(state).prefs?.device;
  const person = personOf(state);
  return device?.own === true && (person === null || person === device.personId);
};

/** Of no answer that came from Cadro itself. */
const unheard = ({ status, problem }: ServerProblem): boolean =>
  [0, 502, 504].includes(status) || problem?.code === 'database-away';

/**
 * Where nobody answered, and the page has nothing: the copy that is on this device, if there is one. Whatever was
 * answered is kept, or, where it may not be seen any more, is kept no longer.
 * @param tried asks
 */
export async function withCopies(ask: Ask, tried: () => Promise<Tried>, api: Way[0]): Promise<Tried> {
  const era = copiesEra();
  const answer = await tried();
  const { dispatch, getState, queryCacheKey: key } = api;
  const { error } = answer;
  const state = getState();
  const address = pathOf(ask);
  if (error && unheard(error)) {
    dispatch(wentAway());
    const had = key !== undefined && known(state).api?.queries[key]?.data !== undefined;
    const copy = ask.kept && !had && keeps(state) ? await copyOf(address) : null;
    if (!copy || key === undefined) return answer;
    dispatch(copyShown({ key, cameAt: copy.cameAt }));
    return { data: copy.data, session: answer.session };
  }
  const at = Date.now();
  const { reach } = known(state);
  if (reach && isNews(reach, at, key)) dispatch(heard({ at, key }));
  if (ask.kept && keeps(state)) {
    if (!error) void keepCopy(address, { data: answer.data, cameAt: at }, era);
    else if (error.status === 403 || error.status === 404) void dropCopy(address);
  }
  return answer;
}
