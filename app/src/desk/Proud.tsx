import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import type { Desk } from '@cadro/contract';
import { Action, Field, Quietly, Row, Stack, TickLine, WayOn, Words } from '../ui';
import { useKeepPieceMutation } from './api';

/** Something the child is proud of: an assignment, or what it names itself, with a word why. */
export function ProudForm({
  studentId,
  itemId,
  onDone,
}: {
  studentId: string;
  itemId?: string;
  onDone: () => void;
}) {
  const { t } = useTranslation();
  const [title, setTitle] = useState('');
  const [why, setWhy] = useState('');
  const [shown, setShown] = useState(false);
  const [keep, { isLoading }] = useKeepPieceMutation();
  const named = itemId ? { itemId } : { title: title.trim() };
  const whole = why.trim() !== '' && (itemId !== undefined || title.trim() !== '');
  const save = async () => {
    const answer = await keep({ studentId, ...named, why: why.trim(), shown });
    if ('data' in answer) onDone();
  };
  return (
    <Stack>
      {itemId ? null : <Field label={t('desk.kept.name')} value={title} onChange={setTitle} longest={200} />}
      <Field label={t('desk.why')} value={why} onChange={setWhy} lines={2} longest={1000} />
      <TickLine label={t('desk.kept.showIt')} on={shown} onChange={setShown} />
      <Row wrap>
        <Action main label={t('desk.keep')} busy={isLoading} disabled={!whole} onPress={() => void save()} />
        <Quietly label={t('desk.cancel')} onPress={onDone} />
      </Row>
    </Stack>
  );
}

/** Whether an assignment is kept among what the child is proud of, and the way to keep it. */
export function Proud({ desk, itemId }: { desk: Desk; itemId: string }) {
  const { t } = useTranslation();
  const [open, setOpen] = useState(false);
  const kept = desk.pieces.find((piece) => piece.itemId === itemId);
  if (kept) {
    return (
      <Stack space={0}>
        <Words size="small" colour="teal">
          {`${t('desk.proudSaid')} ${t('matter.quote', { text: kept.why })}`}
        </Words>
        <WayOn label={t('desk.to.kept')} href="/kept" />
      </Stack>
    );
  }
  if (!open) return <Quietly label={t('desk.proud')} onPress={() => setOpen(true)} open={false} />;
  return <ProudForm studentId={desk.studentId} itemId={itemId} onDone={() => setOpen(false)} />;
}
