/** An id of a list that nothing on it has yet: a number, after what stands before all of them. */
export const freshId = (known: readonly { readonly id: string }[], prefix = ''): string => {
  const numbers = known
    .filter(({ id }) => id.startsWith(prefix))
    .map(({ id }) => Number(id.slice(prefix.length)))
    .filter(Number.isInteger);
  return `${prefix}${Math.max(0, ...numbers) + 1}`;
};
