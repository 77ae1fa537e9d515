const written = /^(\d{1,2})(?:[:.](\d{2}))?\s*(?:([ap])\.?\s?m\.?)?$/i;

/**
 * A time of day as people write it: '8:05', '08.05', '5 pm', '5:30 p. m.', '17:30'. What is no time stays as it is, for
 * the server to name.
 * @returns `17:30`; null where nothing is written.
 */
export function timeOf(text: string): string | null {
  const trimmed = text.trim();
  if (trimmed === '') return null;
  const [, hours = '', minutes, half] = written.exec(trimmed) ?? [];
  // A number alone is no time yet.
  if (hours === '' || (minutes === undefined && half === undefined)) return trimmed;
  if (half && (Number(hours) < 1 || Number(hours) > 12)) return trimmed;
  const added = half ? (half.toLowerCase() === 'p' ? 12 : 0) - (Number(hours) === 12 ? 12 : 0) : 0;
  return `${String(Number(hours) + added).padStart(2, '0')}:${minutes ?? '00'}`;
}

/** Whether a time stands on a clock. */
export const isTime = (time: string | null): time is string =>
  time !== null && /^([01]\d|2[0-3]):[0-5]\d$/.test(time);
