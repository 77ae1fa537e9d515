import {
  DndContext,
  type DragCancelEvent,
  type DragEndEvent,
  type DragOverEvent,
  DragOverlay,
  type DragStartEvent,
  KeyboardSensor,
  MouseSensor,
  TouchSensor,
  type UniqueIdentifier,
  useDroppable,
  useSensor,
  useSensors,
} from '@dnd-kit/core';
import { useState, type ComponentProps, type CSSProperties, type ReactNode } from 'react';
import { useTranslation } from 'react-i18next';
import type { Evening, Plan, PlannedTask } from '@cadro/contract';
import { useFormat } from '../household';
import { beginning } from '../i18n';
import { List, Row, Stack, styles, usePalette, useWide, Words } from '../ui';
import { useChangeTaskMutation, useSetEveningsMutation } from './api';
import { OwnMinutesField } from './FreeTime';
import { Card, Lifted, nowhere, type OpenChanges } from './TaskCard';
import { useArrows } from './useArrows';

function Place({ id, role, children }: { id: string; role?: 'listitem'; children: ReactNode }) {
  const palette = usePalette();
  const { setNodeRef, isOver } = useDroppable({ id });
  return (
    <div
      ref={setNodeRef}
      role={role}
      style={{
        ...place,
        border: `1px solid ${isOver ? palette.ink : palette.line}`,
        background: isOver ? palette.sand : 'transparent',
      }}
    >
      {children}
    </div>
  );
}

/** What every card of the board is given beside its task. */
type CardProps = Omit<ComponentProps<typeof Card>, 'task'>;

function EveningPlace({
  evening,
  tasks,
  freeing,
  ...ofCards
}: CardProps & {
  evening: Evening;
  tasks: readonly PlannedTask[];
  freeing: boolean;
}) {
  const { t } = useTranslation();
  const format = useFormat();
  const { studentId } = ofCards;
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
    <Place id={date} role="listitem">
      <Row style={styles.apartTop}>
        <Row wrap style={[styles.fill, styles.apartBase]}>
          <Words bold>{beginning(format.day(date))}</Words>
          <Words size="small" colour={used > minutes ? 'plum' : 'soft'}>
            {room}
          </Words>
        </Row>
        {freeing ? (
          <OwnMinutesField
            label={t('plan.minutesOn', { day: format.day(date) })}
            hidden
            minutes={minutes}
            onSave={(value) => void setEvenings({ studentId, exceptions: [{ date, minutes: value }] })}
          />
        ) : null}
      </Row>
      <List>
        {tasks.map((task) => (
          <Card key={task.itemId} task={task} {...ofCards} />
        ))}
      </List>
    </Place>
  );
}

/** What a lifted card says to a screen reader on its way. */
function useSaid(plan: Plan) {
  const { t } = useTranslation();
  const format = useFormat();
  const titleOf = (id: UniqueIdentifier) => plan.tasks.find(({ itemId }) => itemId === id)?.title ?? '';
  const placeOf = (id: UniqueIdentifier | undefined) =>
    id === undefined || id === nowhere ? t('plan.nowhere') : format.day(String(id));
  const said = (
    what: 'lifted' | 'over' | 'placed' | 'cancelled',
    id: UniqueIdentifier,
    over?: UniqueIdentifier,
  ) => t(`plan.announce.${what}`, { title: titleOf(id), where: placeOf(over) });
  const accessibility = {
    screenReaderInstructions: { draggable: t('plan.how') },
    announcements: {
      onDragStart: ({ active }: DragStartEvent) => said('lifted', active.id),
      onDragOver: ({ active, over }: DragOverEvent) => said('over', active.id, over?.id),
      onDragEnd: ({ active, over }: DragEndEvent) => said('placed', active.id, over?.id),
      onDragCancel: ({ active }: DragCancelEvent) => said('cancelled', active.id),
    },
  };
  return { accessibility, titleOf };
}

/** A card from where it is lifted to where it is laid down, by mouse, finger or keys. */
function useDragging(studentId: string, plan: Plan, places: readonly string[]) {
  const [change] = useChangeTaskMutation();
  const [lifted, setLifted] = useState<UniqueIdentifier | null>(null);
  const arrows = useArrows(places);
  const sensors = useSensors(
    useSensor(MouseSensor, { activationConstraint: { distance: 4 } }),
    useSensor(TouchSensor, { activationConstraint: { delay: 120, tolerance: 8 } }),
    useSensor(KeyboardSensor, { coordinateGetter: arrows.coordinates, scrollBehavior: 'auto' }),
  );
  const onDragStart = ({ active }: DragStartEvent) => {
    setLifted(active.id);
    arrows.startAt(active.data.current?.['evening'] ?? nowhere);
  };
  const onDragCancel = () => {
    setLifted(null);
    arrows.startAt(null);
  };
  const onDragEnd = ({ active, over }: DragEndEvent) => {
    onDragCancel();
    const task = plan.tasks.find(({ itemId }) => itemId === active.id);
    const evening = over && over.id !== nowhere ? String(over.id) : null;
    if (over && task && (task.evening !== evening || task.movedFrom)) {
      void change({ studentId, itemId: task.itemId, evening });
    }
  };
  const dragging = {
    sensors,
    collisionDetection: arrows.collision,
    onDragStart,
    onDragCancel,
    onDragEnd,
  };
  return { lifted, dragging };
}

/** What stands on no evening yet. */
function Unplaced({ tasks, ...ofCards }: CardProps & { tasks: readonly PlannedTask[] }) {
  const { t } = useTranslation();
  return (
    <Place id={nowhere}>
      <Row wrap style={styles.apartBase}>
        <Words bold>{t('plan.unplaced')}</Words>
        {tasks.length === 0 ? (
          <Words size="small" colour="soft">
            {t('plan.noRoom')}
          </Words>
        ) : null}
      </Row>
      <List>
        {tasks.map((task) => (
          <Card key={task.itemId} task={task} {...ofCards} />
        ))}
      </List>
    </Place>
  );
}

/** The evenings of the coming fortnight with what stands on them; cards are dragged by hand or by keys. */
export function Board({
  studentId,
  plan,
  may,
  freeing,
}: {
  studentId: string;
  plan: Plan;
  may: boolean;
  /** Whether the free time of each evening is being changed. */
  freeing: boolean;
}) {
  const { t } = useTranslation();
  const wide = useWide();
  const { accessibility, titleOf } = useSaid(plan);
  const onEvening = (date: string | null) => plan.tasks.filter(({ evening }) => evening === date);
  const waiting = onEvening(null);
  const longest = Math.max(...plan.evenings.map(({ minutes }) => minutes));
  const seen = plan.evenings.filter(
    ({ date, minutes, exception }) => minutes > 0 || exception || onEvening(date).length > 0,
  );
  const [changes, setChanges] = useState<OpenChanges>({});
  const same = { studentId, may, longest, changes, onChanges: setChanges };
  const evenings = seen.map(({ date }) => date);
  // What has no evening asks for one first; an empty place for it comes last.
  const asks = waiting.length > 0;
  const places = asks ? [nowhere, ...evenings] : [...evenings, nowhere];
  const { lifted, dragging } = useDragging(studentId, plan, places);
  const unplaced = plan.tasks.length > 0 ? <Unplaced tasks={waiting} {...same} /> : null;
  const how =
    may && plan.tasks.length > 0 ? (
      <Words size="small" colour="soft">
        {t('plan.how')}
      </Words>
    ) : null;
  return (
    <DndContext {...dragging} accessibility={accessibility}>
      <Stack space={2}>
        {wide ? how : null}
        {asks ? unplaced : null}
        <div role="list" aria-label={t('plan.title')} style={wide ? beside : below}>
          {seen.map((evening) => (
            <EveningPlace
              key={evening.date}
              evening={evening}
              tasks={onEvening(evening.date)}
              {...{ ...same, freeing }}
            />
          ))}
        </div>
        {asks ? null : unplaced}
        {wide ? null : how}
      </Stack>
      <DragOverlay dropAnimation={null}>
        {lifted === null ? null : <Lifted title={titleOf(lifted)} />}
      </DragOverlay>
    </DndContext>
  );
}

const below: CSSProperties = { display: 'grid', gap: 12, gridTemplateColumns: 'minmax(0, 1fr)' };
const beside: CSSProperties = { ...below, gridTemplateColumns: 'repeat(auto-fill, minmax(300px, 1fr))' };
const place: CSSProperties = {
  display: 'flex',
  flexDirection: 'column',
  gap: 8,
  padding: 12,
  borderRadius: 6,
  minHeight: 56,
  boxSizing: 'border-box',
};
