import { useTranslation } from 'react-i18next';
import { problemWords } from '../../i18n';
import { Words } from '../../ui';

/** What went wrong with the last try, in words, said by a screen reader, too; nothing while all is well. */
export function Trouble({ error, words }: { error?: unknown; words?: string | null }) {
  const { t } = useTranslation();
  const text = words ?? (error ? problemWords(t, error) : null);
  return text ? (
    <Words colour="plum" live>
      {text}
    </Words>
  ) : null;
}
