import { useDraggable } from '@dnd-kit/core';
import { type CSSProperties } from 'react';
import { StyleSheet, View } from 'react-native';
import { useTranslation } from 'react-i18next';
import type { PlannedTask } from '@cadro/contract';
import { useFormat } from '../household';
import { IconAction, Quietly, Row, styles, themed, Tick, touch, usePalette, useWide, Words } from '../ui';
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
      style={{ ...handle, cursor: isDragging ? 'grabbing' : 'grab' }}
    >
      <svg width="20" height="20" viewBox="0 0 20 20" aria-hidden="true">
        {[5, 10, 15].map((y) => (
          <line key={y} x1="4" x2="16" y1={y} y2={y} stroke={palette.ink} strokeWidth="1.5" />
        ))}
      </svg>
    </button>
  );
}

/** What is wrong with where it stands: past its day, moved by the plan, or longer than any evening. */
function Warnings({ task, longest }: { task: PlannedTask; longest: number }) {
  const { t } = useTranslation();
  const format = useFormat();
  const { evening, deadline, movedFrom, doneAt, minutes } = task;
  const late = deadline !== null && evening !== null && evening > deadline;
  const tooLong = evening === null && doneAt === null && minutes > longest;
  const warnings = [
    ...(late ? [t('plan.late')] : []),
    ...(movedFrom ? [t('plan.moved', { date: format.day(movedFrom) })] : []),
    ...(tooLong ? [t('plan.tooLong')] : []),
  ];
  return warnings.map((words) => (
    <Words key={words} size="small" colour="plum">
      {words}
    </Words>
  ));
}

/** Its course, its minutes, what it brings, until when; on a phone what its evening says already is not said again. */
function useTaskLine({ courseTitle, minutes, gain, deadline, evening }: PlannedTask): string {
  const { t } = useTranslation();
  const format = useFormat();
  const apart = useWide() || evening === null;
  return [
    courseTitle,
    ...(apart ? [t('plan.minutes', { count: minutes })] : []),
    ...(gain >= 0.005 ? [t('plan.adds', { gain: format.amount(gain) })] : []),
    ...(deadline && apart ? [t('plan.until', { date: format.day(deadline) })] : []),
  ].join(' · ');
}

/** What is seldom done to a task: other minutes, no evening, no task at all. */
function Changes({
  studentId,
  task,
  typed,
  onType,
}: {
  studentId: string;
  task: PlannedTask;
  typed: string | null;
  onType: (text: string | null) => void;
}) {
  const { t } = useTranslation();
  const [change] = useChangeTaskMutation();
  const [drop] = useDropTaskMutation();
  const { itemId, title, minutes, evening } = task;
  return (
    <Row wrap style={[styles.spread, own.above4]}>
      <MinutesField
        label={t('plan.minutesFor', { title })}
        hidden
        {...{ minutes, typed, onType }}
        onSave={(value) => void change({ studentId, itemId, minutes: value })}
      />
      {evening === null ? null : (
        <Quietly
          label={t('plan.takeOff')}
          hint={title}
          onPress={() => void change({ studentId, itemId, evening: null })}
        />
      )}
      <Quietly label={t('plan.drop')} hint={title} onPress={() => void drop({ studentId, itemId })} />
    </Row>
  );
}

/**
 * The tasks whose changes are unfolded, by their item, each with the minutes being typed or null. The board holds them: an
 * answer that moves a card to another evening makes a new card there, and what was open or typed stays.
 */
export type OpenChanges = Readonly<Record<string, string | null>>;

/** A chosen work on its evening: ticked off, moved, or taken out. */
export function Card({
  studentId,
  task,
  may,
  longest,
  changes,
  onChanges,
}: {
  studentId: string;
  task: PlannedTask;
  may: boolean;
  /** The most free minutes an evening has. */
  longest: number;
  changes: OpenChanges;
  onChanges: (changes: OpenChanges) => void;
}) {
  const { t } = useTranslation();
  const looks = useLooks();
  const [change] = useChangeTaskMutation();
  const { itemId, title, doneAt } = task;
  const typed = changes[itemId];
  const changing = typed !== undefined;
  const fold = () => onChanges(Object.fromEntries(Object.entries(changes).filter(([id]) => id !== itemId)));
  const type = (text: string | null) => onChanges({ ...changes, [itemId]: text });
  const line = useTaskLine(task);
  return (
    <Row space={0.5} style={looks.card}>
      {may ? (
        <Tick
          label={t('plan.done', { title })}
          on={doneAt !== null}
          onChange={(done) => void change({ studentId, itemId, done })}
        />
      ) : null}
      <View style={own.what}>
        <Words bold>{title}</Words>
        <Words size="small" colour="soft">
          {line}
        </Words>
        <Warnings task={task} longest={longest} />
        {may && changing && doneAt === null ? (
          <Changes {...{ studentId, task, typed }} onType={type} />
        ) : null}
      </View>
      {may && doneAt === null ? (
        <View>
          <IconAction
            icon={changing ? 'fold' : 'unfold'}
            label={t('plan.change', { title })}
            open={changing}
            onPress={changing ? fold : () => type(null)}
          />
          <Handle task={task} />
        </View>
      ) : null}
    </Row>
  );
}

/** What follows the hand while a card is moved. */
export function Lifted({ title }: { title: string }) {
  const looks = useLooks();
  return (
    <View style={looks.lifted}>
      <Words bold>{title}</Words>
    </View>
  );
}

const own = StyleSheet.create({
  what: { flex: 1, paddingVertical: 10 },
  above4: { paddingTop: 4 },
});

const useLooks = themed((palette) => ({
  card: {
    alignItems: 'flex-start',
    borderWidth: 1,
    borderColor: palette.line,
    borderRadius: 6,
    backgroundColor: palette.sheet,
    paddingLeft: 12,
  },
  lifted: {
    alignSelf: 'flex-start',
    width: 220,
    padding: 12,
    borderRadius: 6,
    borderWidth: 2,
    borderColor: palette.ink,
    backgroundColor: palette.sheet,
  },
}));

const handle: CSSProperties = {
  width: touch,
  height: touch,
  border: 'none',
  background: 'none',
  touchAction: 'none',
  color: 'inherit',
};
