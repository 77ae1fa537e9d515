import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Action, Quietly, Row, Stack, Words } from '../../ui';
import { Trouble } from '../door/Trouble';

/** What cannot be taken back by oneself: a quiet button, what it means, and only then yes. */
export function Sure({
  label,
  means,
  yes,
  busy,
  error,
  onYes,
}: {
  label: string;
  means: string;
  /** The button that does it. */
  yes: string;
  busy: boolean;
  error: unknown;
  onYes: () => void;
}) {
  const { t } = useTranslation();
  const [open, setOpen] = useState(false);
  if (!open) return <Quietly label={label} onPress={() => setOpen(true)} open={false} />;
  return (
    <Stack>
      <Words>{means}</Words>
      <Row wrap>
        <Action main label={yes} busy={busy} onPress={onYes} />
        <Action label={t('people.no')} onPress={() => setOpen(false)} />
      </Row>
      <Trouble error={error} />
    </Stack>
  );
}
