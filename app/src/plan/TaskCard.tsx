import { useDraggable } from '@dnd-kit/core';
import { View } from 'react-native';
import { useTranslation } from 'react-i18next';
import type { PlannedTask } from '@cadro/contract';
import { useFormat } from '../household';
import { Quietly, Row, Tick, touch, usePalette, Words } from '../ui';
import { useChangeTaskMutation, useDropTaskMutation } from './api';
import { MinutesField } from './FreeTime';

/** Where a task may be dropped that is to stand on no evening. */
export const nowhere = 'nowhere';

function Handle({ task }: { task: PlannedTask }) {
  const { t } = useTranslation();
  const palette = usePalette();
  const { attributes, listeners, setNodeRef, isDragging } = useDraggable({
    id: task.itemId,
    data: { evening: task.evening ?? nowhere },
  });
  return (
    <button
      ref={setNodeRef}
      {...attributes}
      {...listeners}
      type="button"
      aria-label={t('plan.handle', { title: task.title })}
      style={{
        width: touch,
        height: touch,
        border: 'none',
        background: 'none',
        cursor: isDragging ? 'grabbing' : 'grab',
        touchAction: 'none',
        color: 'inherit',
      }}
    >
      <svg width="20" height="20" viewBox="0 0 20 20" aria-hidden="true">
        {[5, 10, 15].map((y) => (
          <line key={y} x1="4" x2="16" y1={y} y2={y} stroke={palette.ink} strokeWidth="1.5" />
        ))}
      </svg>
    </button>
  );
}

/** A chosen work on its evening: ticked off, moved, or taken out. */
export function Card({
  studentId,
  task,
  may,
  longest,
}: {
  studentId: string;
  task: PlannedTask;
  may: boolean;
  /** The most free minutes an evening has. */
  longest: number;
}) {
  const { t } = useTranslation();
  const format = useFormat();
  const palette = usePalette();
  const [change] = useChangeTaskMutation();
  const [drop] = useDropTaskMutation();
  const { itemId, title, courseTitle, minutes, gain, deadline, evening, movedFrom, doneAt } = task;
  const tooLong = evening === null && doneAt === null && minutes > longest;
  const late = deadline !== null && evening !== null && evening > deadline;
  const line = [
    courseTitle,
    t('plan.minutes', { count: minutes }),
    ...(gain >= 0.005 ? [t('plan.adds', { gain: format.amount(gain) })] : []),
    ...(deadline ? [t('plan.until', { date: format.day(deadline) })] : []),
  ].join(' · ');
  return (
    <Row
      space={0.5}
      style={{
        alignItems: 'flex-start',
        borderWidth: 1,
        borderColor: palette.line,
        borderRadius: 6,
        backgroundColor: palette.sheet,
        paddingLeft: 12,
      }}
    >
      {may ? (
        <Tick
          label={t('plan.done', { title })}
          on={doneAt !== null}
          onChange={(done) => void change({ studentId, itemId, done })}
        />
      ) : null}
      <View style={{ flex: 1, paddingVertical: 10 }}>
        <Words bold>{title}</Words>
        <Words size="small" colour="soft">
          {line}
        </Words>
        {late ? (
          <Words size="small" colour="plum">
            {t('plan.late')}
          </Words>
        ) : null}
        {movedFrom ? (
          <Words size="small" colour="plum">
            {t('plan.moved', { date: format.day(movedFrom) })}
          </Words>
        ) : null}
        {tooLong ? (
          <Words size="small" colour="plum">
            {t('plan.tooLong')}
          </Words>
        ) : null}
        {may && doneAt === null ? (
          <Row space={2} style={{ paddingTop: 4 }}>
            <MinutesField
              key={minutes}
              label={t('plan.minutesFor', { title })}
              hidden
              minutes={minutes}
              onSave={(value) => void change({ studentId, itemId, minutes: value })}
            />
            <Quietly label={t('plan.drop')} hint={title} onPress={() => void drop({ studentId, itemId })} />
          </Row>
        ) : null}
      </View>
      {may && doneAt === null ? <Handle task={task} /> : null}
    </Row>
  );
}

/** What follows the hand while a card is moved. */
export function Lifted({ title }: { title: string }) {
  const palette = usePalette();
  return (
    <View
      style={{
        alignSelf: 'flex-start',
        width: 220,
        padding: 12,
        borderRadius: 6,
        borderWidth: 2,
        borderColor: palette.ink,
        backgroundColor: palette.sheet,
      }}
    >
      <Words bold>{title}</Words>
    </View>
  );
}
