import { useState } from 'react';
import { View } from 'react-native';
import { useTranslation } from 'react-i18next';
import type { Supply } from '@cadro/contract';
import { MarkOf, useChildren, useFormat } from '../../household';
import {
  Action,
  BackLink,
  Field,
  Heading,
  Loaded,
  Page,
  Quiet,
  Row,
  Stack,
  styles,
  themed,
  Tick,
  WayOn,
  Words,
} from '../../ui';
import {
  useCreateEntryMutation,
  useGotSupplyMutation,
  useSuppliesQuery,
  useTickEntryMutation,
} from '../calendarApi';
import { bodyOf, emptyDraft } from './entryDraft';

function SupplyRow({ supply }: { supply: Supply }) {
  const { t } = useTranslation();
  const format = useFormat();
  const looks = useLooks();
  const { nameOf, mayWrite } = useChildren();
  const [gotSupply] = useGotSupplyMutation();
  const [tick] = useTickEntryMutation();
  const { entryId, studentId, itemId, courseId, supply: what, got, neededOn } = supply;
  const change = (on: boolean) => {
    if (entryId) void tick({ entryId, on: neededOn ?? format.today, as: on ? 'done' : 'open' });
    else if (studentId && itemId) void gotSupply({ studentId, itemId, supply: what, got: on });
  };
  const why = [
    ...(studentId ? [nameOf(studentId)] : []),
    ...(supply.for ? [t('shopping.for', { title: supply.for })] : []),
    ...(neededOn ? [t('shopping.neededOn', { day: format.day(neededOn) })] : []),
  ].join(' · ');
  return (
    <Row space={0.5} style={looks.ruled}>
      {mayWrite(studentId ? [studentId] : []) ? <Tick label={what} on={got} onChange={change} /> : null}
      <View style={styles.fill}>
        <Words colour={got ? 'soft' : 'ink'} style={got ? { textDecorationLine: 'line-through' } : {}}>
          {what}
        </Words>
        {why ? (
          <Words size="small" colour="soft">
            {why}
          </Words>
        ) : null}
      </View>
      {studentId ? <MarkOf studentId={studentId} /> : null}
      {entryId ? (
        <WayOn label={t('shopping.change')} href={`/days/entries/${entryId}`} />
      ) : studentId && courseId && itemId ? (
        <WayOn label={t('shopping.work')} href={`/courses/${studentId}/${courseId}/${itemId}`} />
      ) : null}
    </Row>
  );
}

/** Written down in passing; a day and a child can be added later. */
function QuickAdd() {
  const { t } = useTranslation();
  const [what, setWhat] = useState('');
  const [create, { isLoading }] = useCreateEntryMutation();
  const add = async () => {
    if (what.trim() === '') return;
    const answer = await create(bodyOf(emptyDraft({ kind: 'supply', title: what })));
    if (answer.data) setWhat('');
  };
  return (
    <Stack>
      <Field
        label={t('shopping.add')}
        value={what}
        onChange={setWhat}
        longest={200}
        onSubmit={() => void add()}
      />
      <Action
        label={t('shopping.put')}
        busy={isLoading}
        disabled={what.trim() === ''}
        onPress={() => void add()}
      />
    </Stack>
  );
}

/** What has to be there for coming work, and what was written down. */
export function ShoppingScreen() {
  const { t } = useTranslation();
  const { shown, mayWrite } = useChildren();
  const query = useSuppliesQuery();
  return (
    <Loaded query={query}>
      {({ supplies }) => {
        const own = supplies.filter(
          ({ studentId }) => studentId === null || shown.some(({ id }) => id === studentId),
        );
        return (
          <Page>
            <BackLink href="/days" label={t('places.days')} />
            <Stack space={0.25}>
              <Heading level={1}>{t('calendar.shopping')}</Heading>
              <Words colour="soft">{t('shopping.lead')}</Words>
            </Stack>
            <View>
              {own.map((supply) => (
                <SupplyRow
                  key={`${supply.entryId}${supply.itemId}${supply.studentId}${supply.supply}`}
                  supply={supply}
                />
              ))}
              {own.length === 0 ? <Quiet>{t('shopping.nothing')}</Quiet> : null}
            </View>
            {mayWrite([]) ? <QuickAdd /> : null}
          </Page>
        );
      }}
    </Loaded>
  );
}

const useLooks = themed((palette) => ({
  ruled: { borderBottomWidth: 1, borderColor: palette.line, paddingLeft: 12, paddingVertical: 6 },
}));
