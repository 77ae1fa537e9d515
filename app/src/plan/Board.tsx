import {
  DndContext,
  DragOverlay,
  KeyboardSensor,
  MouseSensor,
  TouchSensor,
  useDroppable,
  useSensor,
  useSensors,
} from '@dnd-kit/core';
import { useState, type ReactNode } from 'react';
import { View } from 'react-native';
import { useTranslation } from 'react-i18next';
import type { Evening, Plan, PlannedTask } from '@cadro/contract';
import { useFormat } from '../household';
import { Row, Stack, usePalette, useWide, Words } from '../ui';
import { useChangeTaskMutation, useSetEveningsMutation } from './api';
import { MinutesField } from './FreeTime';
import { Card, Lifted, nowhere } from './TaskCard';
import { useArrows } from './useArrows';

function Place({ id, children }: { id: string; children: ReactNode }) {
  const palette = usePalette();
  const { setNodeRef, isOver } = useDroppable({ id });
  return (
    <div
      ref={setNodeRef}
      style={{
        display: 'flex',
        flexDirection: 'column',
        gap: 8,
        padding: 12,
        borderRadius: 6,
        border: `1px solid ${isOver ? palette.ink : palette.line}`,
        background: isOver ? palette.sand : 'transparent',
        minHeight: 56,
        boxSizing: 'border-box',
      }}
    >
      {children}
    </div>
  );
}

function EveningPlace({
  studentId,
  evening,
  tasks,
  may,
  longest,
}: {
  studentId: string;
  evening: Evening;
  tasks: readonly PlannedTask[];
  may: boolean;
  longest: number;
}) {
  const { t } = useTranslation();
  const format = useFormat();
  const [setEvenings] = useSetEveningsMutation();
  const used = tasks.reduce((sum, { minutes, doneAt }) => sum + (doneAt ? 0 : minutes), 0);
  const { date, minutes } = evening;
  const room =
    used === 0
      ? t('plan.free', { free: minutes })
      : used > minutes
        ? t('plan.over', { over: used - minutes })
        : t('plan.used', { used, free: minutes });
  return (
    <Place id={date}>
      <Row style={{ justifyContent: 'space-between', alignItems: 'flex-start' }}>
        <View style={{ flex: 1 }}>
          <Words bold>{format.day(date)}</Words>
          <Words size="small" colour={used > minutes ? 'plum' : 'soft'}>
            {room}
          </Words>
        </View>
        {may ? (
          <MinutesField
            key={minutes}
            label={t('plan.minutesOn', { day: format.day(date) })}
            hidden
            minutes={minutes}
            onSave={(value) => void setEvenings({ studentId, exceptions: [{ date, minutes: value }] })}
          />
        ) : null}
      </Row>
      {tasks.map((task) => (
        <Card key={task.itemId} studentId={studentId} task={task} may={may} longest={longest} />
      ))}
    </Place>
  );
}

/** The evenings of the coming fortnight with what stands on them; cards are dragged by hand or by keys. */
export function Board({ studentId, plan, may }: { studentId: string; plan: Plan; may: boolean }) {
  const { t } = useTranslation();
  const format = useFormat();
  const wide = useWide();
  const [change] = useChangeTaskMutation();
  const [lifted, setLifted] = useState<string | number | null>(null);
  const onEvening = (date: string | null) => plan.tasks.filter(({ evening }) => evening === date);
  const titleOf = (id: string | number) => plan.tasks.find(({ itemId }) => itemId === id)?.title ?? '';
  const placeOf = (id: string | number | undefined) =>
    id === undefined || id === nowhere ? t('plan.nowhere') : format.day(String(id));
  const said = (
    what: 'lifted' | 'over' | 'placed' | 'cancelled',
    id: string | number,
    over?: string | number,
  ) => t(`plan.announce.${what}`, { title: titleOf(id), where: placeOf(over) });
  const longest = Math.max(...plan.evenings.map(({ minutes }) => minutes));
  const seen = plan.evenings.filter(
    ({ date, minutes, exception }) => minutes > 0 || exception || onEvening(date).length > 0,
  );
  const arrows = useArrows([nowhere, ...seen.map(({ date }) => date)]);
  const sensors = useSensors(
    useSensor(MouseSensor, { activationConstraint: { distance: 4 } }),
    useSensor(TouchSensor, { activationConstraint: { delay: 120, tolerance: 8 } }),
    useSensor(KeyboardSensor, { coordinateGetter: arrows.coordinates, scrollBehavior: 'auto' }),
  );
  const laidDown = () => {
    setLifted(null);
    arrows.startAt(null);
  };
  return (
    <DndContext
      sensors={sensors}
      collisionDetection={arrows.collision}
      accessibility={{
        screenReaderInstructions: { draggable: t('plan.how') },
        announcements: {
          onDragStart: ({ active }) => said('lifted', active.id),
          onDragOver: ({ active, over }) => said('over', active.id, over?.id),
          onDragEnd: ({ active, over }) => said('placed', active.id, over?.id),
          onDragCancel: ({ active }) => said('cancelled', active.id),
        },
      }}
      onDragStart={({ active }) => {
        setLifted(active.id);
        arrows.startAt(active.data.current?.['evening'] ?? nowhere);
      }}
      onDragCancel={laidDown}
      onDragEnd={({ active, over }) => {
        laidDown();
        const task = plan.tasks.find(({ itemId }) => itemId === active.id);
        const evening = over && over.id !== nowhere ? String(over.id) : null;
        if (over && task && (task.evening !== evening || task.movedFrom)) {
          void change({ studentId, itemId: task.itemId, evening });
        }
      }}
    >
      <Stack space={2}>
        {may && plan.tasks.length > 0 ? (
          <Words size="small" colour="soft">
            {t('plan.how')}
          </Words>
        ) : null}
        {plan.tasks.length > 0 ? (
          <Stack space={1}>
            <Words bold>{t('plan.unplaced')}</Words>
            <Place id={nowhere}>
              {onEvening(null).length === 0 ? (
                <Words size="small" colour="soft">
                  {t('plan.noRoom')}
                </Words>
              ) : null}
              {onEvening(null).map((task) => (
                <Card key={task.itemId} studentId={studentId} task={task} may={may} longest={longest} />
              ))}
            </Place>
          </Stack>
        ) : null}
        <div
          style={{
            display: 'grid',
            gap: 12,
            gridTemplateColumns: wide ? 'repeat(auto-fill, minmax(300px, 1fr))' : 'minmax(0, 1fr)',
          }}
        >
          {seen.map((evening) => (
            <EveningPlace
              key={evening.date}
              studentId={studentId}
              evening={evening}
              tasks={onEvening(evening.date)}
              may={may}
              longest={longest}
            />
          ))}
        </div>
      </Stack>
      <DragOverlay dropAnimation={null}>
        {lifted === null ? null : <Lifted title={titleOf(lifted)} />}
      </DragOverlay>
    </DndContext>
  );
}
