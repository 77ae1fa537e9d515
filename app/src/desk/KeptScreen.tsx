import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import type { Desk } from '@cadro/contract';
import { useFormat, useSelf } from '../household';
import { Action, Heading, List, Loaded, Page, Quietly, Stack, TickLine, WayOn, Words } from '../ui';
import { useChangePieceMutation, useDeskQuery, useDropPieceMutation } from './api';
import { ProudForm } from './Proud';

type Piece = Desk['pieces'][number];

/** A piece with its word why, as it stands on the family's table, too. */
export function PieceWords({ studentId, piece }: { studentId: string; piece: Piece }) {
  const { t } = useTranslation();
  const format = useFormat();
  const { title, courseTitle, courseId, itemId, at, why } = piece;
  return (
    <Stack space={0.25}>
      <Words bold>{title}</Words>
      <Words>{t('matter.quote', { text: why })}</Words>
      <Words size="small" colour="soft">
        {[...(courseTitle ? [courseTitle] : []), format.date(at)].join(' · ')}
      </Words>
      {itemId && courseId ? (
        <WayOn label={t('followUp.openWork')} href={`/courses/${studentId}/${courseId}/${itemId}`} />
      ) : null}
    </Stack>
  );
}

function Kept({ desk }: { desk: Desk }) {
  const { t } = useTranslation();
  const { studentId } = desk;
  const [adding, setAdding] = useState(false);
  const [change] = useChangePieceMutation();
  const [drop] = useDropPieceMutation();
  return (
    <Page>
      <Stack space={0.25}>
        <Heading level={1}>{t('desk.kept.title')}</Heading>
        <Words colour="soft">{t(desk.pieces.length > 0 ? 'desk.kept.lead' : 'desk.kept.none')}</Words>
      </Stack>
      <List label={t('desk.kept.title')}>
        {desk.pieces.map((piece) => (
          <Stack key={piece.id} space={0}>
            <PieceWords studentId={studentId} piece={piece} />
            <TickLine
              label={t('desk.kept.showIt')}
              on={piece.shown}
              onChange={(shown) => void change({ studentId, pieceId: piece.id, shown })}
            />
            <Quietly
              label={t('desk.kept.drop')}
              hint={piece.title}
              onPress={() => void drop({ studentId, pieceId: piece.id })}
            />
          </Stack>
        ))}
      </List>
      {adding ? (
        <ProudForm studentId={studentId} onDone={() => setAdding(false)} />
      ) : (
        <Action label={t('desk.kept.add')} onPress={() => setAdding(true)} />
      )}
    </Page>
  );
}

/** What the child is proud of, and what of it the family sees. */
export function KeptScreen() {
  const query = useDeskQuery(useSelf()?.id ?? '', { refetchOnMountOrArgChange: true });
  return <Loaded query={query}>{(desk) => <Kept desk={desk} />}</Loaded>;
}
