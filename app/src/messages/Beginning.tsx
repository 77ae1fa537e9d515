import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { languages, type Language } from '@cadro/contract';
import { useFormat, useFormatIn, type Writing } from '../household';
import { i18next, languageNames, useEveryLanguage } from '../i18n';
import { useAppSelector } from '../store';
import { Choice, Quietly, Stack, Words } from '../ui';
import type { Draft, Says } from './draft';
import { openingOf, reopened, tones, type Addressed, type Tone } from './opening';

/** Makes a draft in one language, with one opening. */
export type Drafting = (says: Says, tone: Tone) => Draft;

/** What each language says with, as of now and where the child's school is. */
export function useSays(): (language: Language) => Says {
  useEveryLanguage();
  const formatIn = useFormatIn();
  return (language) => ({ t: i18next.getFixedT(language), format: formatIn(language) });
}

type Fields = { subject: string; text: string };

/** How a letter begins and in which language: each change is undone by one tap. */
export function useBeginning({
  drafting,
  first,
  writing,
  who,
  untouched = false,
}: {
  drafting: Drafting;
  first: Language;
  writing: Writing<Fields>;
  who: Addressed;
  /** Whether nothing has been written yet: the letter is the draft, whatever that says by now. */
  untouched?: boolean;
}) {
  const says = useSays();
  const [language, setLanguage] = useState(first);
  const [tone, setTone] = useState<Tone>('plain');
  const [before, setBefore] = useState<{ fields: Fields; language: Language; tone: Tone } | null>(null);
  const fields = untouched ? drafting(says(language), tone) : writing.fields;
  const change = (next: { fields: Fields; language: Language; tone: Tone }) => {
    if (!untouched) writing.set(next.fields);
    setLanguage(next.language);
    setTone(next.tone);
  };
  const keep = () => setBefore({ fields, language, tone });
  const begin = (chosen: Tone) => {
    const { t } = says(language);
    const openings = tones.map((each) => openingOf(t, each, who));
    keep();
    change({
      fields: { ...fields, text: reopened(fields.text, openings, openingOf(t, chosen, who)) },
      ...{ language, tone: chosen },
    });
  };
  const speak = (chosen: Language) => {
    keep();
    change({ fields: drafting(says(chosen), tone), language: chosen, tone });
  };
  const undo = before
    ? () => {
        change(before);
        setBefore(null);
      }
    : null;
  return { fields, language, tone, begin, speak, undo };
}

/** The choice of both, and what the letter says in one's own language where it is written in another. */
export function Beginning({
  beginning: { language, tone, begin, speak, undo },
  drafting,
}: {
  beginning: ReturnType<typeof useBeginning>;
  drafting: Drafting;
}) {
  const { t } = useTranslation();
  const own = useAppSelector((state) => state.prefs.language);
  return (
    <Stack>
      <Choice
        titled
        label={t('message.tone')}
        options={tones.map((value) => ({ value, label: t(`message.tones.${value}`) }))}
        value={tone}
        onChange={begin}
      />
      <Choice
        titled
        label={t('message.language')}
        options={languages.map((value) => ({ value, label: languageNames[value] }))}
        value={language}
        onChange={speak}
      />
      {undo ? <Quietly label={t('message.undoChange')} onPress={undo} /> : null}
      {language === own ? null : <ForCheck drafting={drafting} tone={tone} />}
    </Stack>
  );
}

function ForCheck({ drafting, tone }: { drafting: Drafting; tone: Tone }) {
  const { t } = useTranslation();
  const format = useFormat();
  const own = useAppSelector((state) => state.prefs.language);
  return (
    <Stack space={0.5}>
      <Words size="small" bold>
        {t('message.forCheck', { language: languageNames[own] })}
      </Words>
      <Words size="small" colour="soft">
        {drafting({ t, format }, tone).text.replace(/\n{3,}/g, '\n\n')}
      </Words>
      <Words size="small" colour="soft">
        {t('message.noTranslator')}
      </Words>
    </Stack>
  );
}
