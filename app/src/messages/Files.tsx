import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { mostBytesOut, mostFilesOut, type FileOut } from '@cadro/contract';
import { PickFile, Quietly, Row, Stack, Words } from '../ui';
import { sizeWords } from './answered';

interface Chosen extends FileOut {
  readonly size: number;
}

/** The bytes of a file in base64. */
const bytesOf = (file: File): Promise<string> =>
  new Promise((done, fail) => {
    const reader = new FileReader();
    reader.onload = () => done(String(reader.result).replace(/^data:[^,]*,/, ''));
    reader.onerror = () => fail(reader.error ?? new Error('unreadable'));
    reader.readAsDataURL(file);
  });

const accepted = '.pdf,.jpg,.jpeg,.png,.gif,.webp,.heic,.docx,.xlsx,.pptx,.odt,.ods,.txt,.csv,.ics,.mp3,.m4a';

/** The files that go out with a letter, until it is sent. */
export function useFiles() {
  const [chosen, setChosen] = useState<readonly Chosen[]>([]);
  const [refused, setRefused] = useState<{ readonly name: string; readonly size: number } | null>(null);
  const room = mostBytesOut - chosen.reduce((sum, { size }) => sum + size, 0);
  const add = async (file: File) => {
    const { name, size } = file;
    const tooLarge = size > room || size === 0;
    setRefused(tooLarge ? { name, size } : null);
    if (tooLarge) return;
    const content = await bytesOf(file);
    setChosen((before) => [...before, { name, size, content }]);
  };
  const remove = (at: number) => setChosen((before) => before.filter((_, index) => index !== at));
  const files = chosen.map(({ name, content }) => ({ name, content }));
  return { chosen, refused, add, remove, files };
}

/** What goes out with a letter, and the way to add to it. */
export function Files({ given: { chosen, refused, add, remove } }: { given: ReturnType<typeof useFiles> }) {
  const { t } = useTranslation();
  return (
    <Stack space={0.5}>
      <Words size="small" bold>
        {t('message.files')}
      </Words>
      {chosen.map(({ name, size }, at) => (
        <Row key={`${at}${name}`} wrap>
          <Words size="small">{`${name} (${sizeWords(size)})`}</Words>
          <Quietly label={t('message.removeFile')} hint={name} onPress={() => remove(at)} />
        </Row>
      ))}
      {refused ? (
        <Words size="small" colour="plum" live>
          {t('message.tooLarge', { name: refused.name, size: sizeWords(refused.size) })}
        </Words>
      ) : null}
      {chosen.length < mostFilesOut ? (
        <PickFile label={t('message.addFile')} accept={accepted} onFile={(file) => void add(file)} />
      ) : null}
      <Words size="small" colour="soft">
        {t('message.filesHow')}
      </Words>
    </Stack>
  );
}
