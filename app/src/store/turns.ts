const underWay = new Map<string, Promise<unknown>>();

/**
 * Changes that somebody makes to one thing go out one after the other, each made on what the one before it has left: nobody
 * collides with themselves by being quicker than their connection.
 * @param id of the thing
 * @param change asks for what is known of the thing when its turn has come, not before
 */
export async function inTurn<T>(id: string, change: () => Promise<T>): Promise<T> {
  const before = underWay.get(id) ?? Promise.resolve();
  const mine = before.then(change, change);
  underWay.set(id, mine);
  try {
    return await mine;
  } finally {
    if (underWay.get(id) === mine) underWay.delete(id);
  }
}

/** To which version a change of one's own has led from which, by thing and version. */
const steps = new Map<string, number>();
export const wentOn = (id: string, from: number, to: number): void => {
  if (to > from) steps.set(`${id} ${from}`, to);
};

/** The version to which changes of one's own alone have led from another: what is written since then is made on that. */
export function ownSince(id: string, version: number): number {
  const next = steps.get(`${id} ${version}`);
  return next === undefined ? version : ownSince(id, next);
}
