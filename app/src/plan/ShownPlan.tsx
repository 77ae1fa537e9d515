import { StyleSheet, View } from 'react-native';
import { useTranslation } from 'react-i18next';
import { useChildren, useFormat } from '../household';
import { Heading, Loaded, Row, Stack, themed, Tick, WayOn, WidePage, Words } from '../ui';
import { useChangeTaskMutation, usePlanQuery } from './api';

/** The plan as the child is shown it: which evening holds what, and a tick. No figures, and nothing else around it. */
export function ShownPlan({ studentId }: { studentId: string }) {
  const { t } = useTranslation();
  const format = useFormat();
  const looks = useLooks();
  const { nameOf, mayTalk } = useChildren();
  const query = usePlanQuery(studentId);
  const [change] = useChangeTaskMutation();
  return (
    <View role="main" style={looks.page}>
      <Loaded query={query}>
        {(plan) => {
          const days = plan.evenings
            .map(({ date }) => ({ date, tasks: plan.tasks.filter(({ evening }) => evening === date) }))
            .filter(({ tasks }) => tasks.length > 0);
          return (
            <WidePage>
              <Heading level={1}>{t('plan.childTitle', { child: nameOf(studentId) })}</Heading>
              {days.length === 0 ? <Words>{t('plan.empty')}</Words> : null}
              {days.map(({ date, tasks }) => (
                <Stack key={date} space={0.5}>
                  <Heading level={2}>{format.dayLong(date)}</Heading>
                  {tasks.map(({ itemId, title, courseTitle, minutes, doneAt }) => (
                    <Row key={itemId} space={0.5} style={own.inset12}>
                      {mayTalk(studentId) ? (
                        <Tick
                          label={t('plan.done', { title })}
                          on={doneAt !== null}
                          onChange={(done) => void change({ studentId, itemId, done })}
                        />
                      ) : null}
                      <View style={own.task}>
                        <Words
                          size="matter"
                          bold
                          style={doneAt ? { textDecorationLine: 'line-through' } : {}}
                        >
                          {title}
                        </Words>
                        <Words colour="soft">
                          {`${courseTitle} · ${t('plan.minutes', { count: minutes })}`}
                        </Words>
                      </View>
                    </Row>
                  ))}
                </Stack>
              ))}
              <WayOn label={t('plan.childBack')} href={`/work/plan?child=${studentId}`} />
            </WidePage>
          );
        }}
      </Loaded>
    </View>
  );
}

const own = StyleSheet.create({
  inset12: { paddingLeft: 12 },
  task: { flex: 1, paddingVertical: 8 },
});

const useLooks = themed((palette) => ({
  page: { flex: 1, backgroundColor: palette.paper, height: '100%' },
}));
