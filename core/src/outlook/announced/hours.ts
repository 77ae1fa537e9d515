import type { Language } from '@cadro/contract';

/** A time of the clock that a sentence names, `HH:MM`; where it says how long something goes on, also its end. */
export interface Hours {
  readonly start: number;
  readonly end: number;
  readonly from: string;
  readonly to: string | null;
}

const hour = String.raw`(\d{1,2}|noon|midday|midnight)(?::([0-5]\d))?`;
const half = String.raw`(?: ?([ap])\.?m\.?)?`;
const english = new RegExp(
  String.raw`(?<![\d:.$])\b(from |between |at |until |till )?${hour}${half}(?: ?(?:to|and|until|till|[-–]) ?${hour}${half})?(?![\d:]|(?:st|nd|rd|th)\b)`,
  'gi',
);
const hora = String.raw`(\d{1,2}|mediodía|medianoche)(?:[:.h]([0-5]\d))?`;
const mitad = String.raw`(?: (?:h\b|horas)| ?(a|p)\.? ?m\.?| de la (mañana|tarde|noche))?`;
const spanish = new RegExp(
  String.raw`(?<![\d:.$])(?<!\p{L})(desde las? |de (?:las? )?|entre las? |a las? |a )?${hora}${mitad}(?: ?(?:a|y|hasta|[-–]) (?:las? )?${hora}${mitad})?(?![\d:]| de \p{L}+bre)`,
  'giu',
);
const named: Readonly<Record<string, number>> = {
  noon: 12,
  midday: 12,
  midnight: 24,
  mediodía: 12,
  medianoche: 24,
};

interface Told {
  readonly hour: string | undefined;
  readonly minute: string | undefined;
  /** 'p' of p.m., 'a' of a.m. */
  readonly half: string | undefined;
}

const halfOf = (letter: string | undefined, word?: string): string | undefined =>
  letter?.toLowerCase() ?? (word === 'mañana' ? 'a' : word ? 'p' : undefined);

/** Minutes after midnight; null for no time of a day. */
function clock({ hour: told, minute, half: half_ }: Told): number | null {
  if (told === undefined) return null;
  const number = named[told.toLowerCase()] ?? Number(told);
  if (number > 24) return null;
  const noon = half_ === 'p' && number < 12 ? 12 : half_ === 'a' && number === 12 ? -12 : 0;
  return (number + noon) * 60 + Number(minute ?? 0);
}

const written = (minutes: number): string =>
  `${String(Math.floor(minutes / 60) % 24).padStart(2, '0')}:${String(minutes % 60).padStart(2, '0')}`;

/** Whether a number says an hour at all: by its colon, its half of the day, its name, or the word before it. */
const isHour = (lead: string | undefined, first: Told, last: Told): boolean =>
  first.minute !== undefined ||
  first.half !== undefined ||
  named[first.hour?.toLowerCase() ?? ''] !== undefined ||
  last.half !== undefined ||
  last.minute !== undefined ||
  /^(?:at|a las?) $/i.test(lead ?? '');

/** Hours without a half of the day are those at which schools are about: 'at 6' is the evening, 'at 9' the morning. */
const usual = (minutes: number, told: Told): number =>
  told.half === undefined && minutes < 7 * 60 && minutes > 0 ? minutes + 12 * 60 : minutes;

/** The hours a sentence names, in their order. */
export function hoursIn(text: string, lang: Language): Hours[] {
  const found = [...text.matchAll(lang === 'en' ? english : spanish)];
  return found.flatMap((match): Hours[] => {
    const told: (string | undefined)[] = match.slice(1);
    const [lead, ...rest] = told;
    const [first, last] =
      lang === 'en'
        ? [
            { hour: rest[0], minute: rest[1], half: halfOf(rest[2]) },
            { hour: rest[3], minute: rest[4], half: halfOf(rest[5]) },
          ]
        : [
            { hour: rest[0], minute: rest[1], half: halfOf(rest[2], rest[3]) },
            { hour: rest[4], minute: rest[5], half: halfOf(rest[6], rest[7]) },
          ];
    if (!isHour(lead, first, last)) return [];
    const end = clock(last);
    const begin = clock({ ...first, half: first.half ?? (end === null ? undefined : last.half) });
    if (begin === null) return [];
    const from = usual(begin, first);
    const to = end === null ? null : usual(end, last);
    return [
      {
        start: match.index,
        end: match.index + match[0].length,
        from: written(from),
        to: to === null || to <= from ? null : written(to),
      },
    ];
  });
}
