import { useEffect, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Action, Field, PickFile, Row, Stack } from '../../ui';

/** What is pasted from a page is read as the table it was there. */
function usePasted(onMarkup: (markup: string) => void): void {
  useEffect(() => {
    const pasted = (event: ClipboardEvent) => {
      const markup = event.clipboardData?.getData('text/html') ?? '';
      if (!/<table[\s>]/i.test(markup)) return;
      event.preventDefault();
      onMarkup(markup);
    };
    document.addEventListener('paste', pasted);
    return () => document.removeEventListener('paste', pasted);
  });
}

interface GiveProps {
  readonly busy: boolean;
  /** Whether there is nothing else to do on the page yet. */
  readonly main: boolean;
  readonly onGive: (given: { text?: string; file?: File }) => void;
}

/** Where a table is pasted or chosen. */
export function GiveTable({ busy, main, onGive }: GiveProps) {
  const { t } = useTranslation();
  const [text, setText] = useState('');
  usePasted((markup) => {
    setText('');
    onGive({ text: markup });
  });
  return (
    <Stack>
      <Field label={t('table.paste')} hint={t('table.pasteHint')} value={text} lines={5} onChange={setText} />
      <Row wrap>
        <Action
          main={main}
          label={t('table.read')}
          busy={busy}
          disabled={text.trim() === ''}
          onPress={() => onGive({ text })}
        />
        <PickFile
          label={t('table.file')}
          accept=".csv,.tsv,.txt,.xlsx,.html"
          busy={busy}
          onFile={(file) => onGive({ file })}
        />
      </Row>
    </Stack>
  );
}
