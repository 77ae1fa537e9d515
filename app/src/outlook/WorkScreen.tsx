import { useDeferredValue, useMemo, useState, type ReactNode } from 'react';
import { StyleSheet, View } from 'react-native';
import { useTranslation } from 'react-i18next';
import { rolesAllowed, type Work } from '@cadro/contract';
import { useChildren, useFormat } from '../household';
import {
  GrowingList,
  Heading,
  LinkAction,
  List,
  Loaded,
  margin,
  Page,
  Panes,
  Quiet,
  Row,
  Stack,
  styles,
  themed,
  useWide,
  Words,
} from '../ui';
import { useWorkQuery } from './api';
import { arrangeWork, blocksOf, isNarrow, keyOf, linesOf, type Head as HeadLine } from './work/arrangeWork';
import { PickBar } from './work/PickBar';
import { useFound } from './work/useFound';
import { useWorkFilter } from './work/useWorkFilter';
import { FiltersToggle, WorkFilters } from './work/WorkFilters';
import { WorkLine } from './work/WorkLine';
import { WorkOffers } from './work/WorkOffers';

function Head({ line }: { line: HeadLine }) {
  const { t } = useTranslation();
  const format = useFormat();
  const wide = useWide();
  if (line.is === 'part') {
    // On a phone the list begins with them, and how many they are stands beside the title.
    if (!wide && line.group === 'loose') return null;
    return (
      <View style={own.group}>
        <Row style={styles.apartBase}>
          <Heading level={2}>{t(`work.groups.${line.group}`)}</Heading>
          <Words colour="soft">{String(line.count)}</Words>
        </Row>
        {wide || line.group !== 'loose' ? (
          <Words size="small" colour="soft">
            {t(`work.hints.${line.group}`)}
          </Words>
        ) : null}
      </View>
    );
  }
  const day = line.on ? format.day(line.on) : '';
  return (
    <View style={own.filters}>
      <Words bold>
        {line.count > 2
          ? t('work.cluster', { count: line.count, day })
          : `${day}, ${line.on ? format.relative(line.on) : ''}`}
      </Words>
    </View>
  );
}

function useShown(whole: Work): Work {
  const { shown } = useChildren();
  return useMemo(() => {
    const ids = new Set(shown.map(({ id }) => id));
    return {
      ...whole,
      rows: whole.rows.filter(({ studentId }) => ids.has(studentId)),
      offers: whole.offers.filter(({ studentId }) => ids.has(studentId)),
    };
  }, [whole, shown]);
}

function Top({ work, toggle, offers }: { work: Work; toggle: ReactNode; offers: ReactNode }) {
  const { t } = useTranslation();
  const { shown } = useChildren();
  const wide = useWide();
  const loose = work.rows.filter(({ group, kind }) => group === 'loose' || kind === 'unmarked');
  const doubtful = work.rows.filter(({ group }) => group === 'doubtful').length;
  const mendable = loose.filter(({ recoverable }) => recoverable).length;
  // The evenings are the household's: a helper has no part in them.
  const planner = shown.find(({ role }) => rolesAllowed('read-talk').includes(role));
  return (
    <Stack space={1}>
      <View>
        <Row style={wide ? null : styles.apart}>
          <Heading level={1}>{t('work.title')}</Heading>
          <Words size="small" colour="soft" style={styles.shrink}>
            {t('work.sub', { count: loose.length, mendable })}
          </Words>
          {wide ? null : toggle}
        </Row>
        {wide && doubtful > 0 ? (
          <Words size="small" colour="soft">
            {t('work.doubtful', { count: doubtful })}
          </Words>
        ) : null}
      </View>
      <Row wrap space={2}>
        {planner ? <LinkAction label={t('work.plan')} href={`/work/plan?child=${planner.id}`} /> : null}
        {wide ? toggle : offers}
      </Row>
    </Stack>
  );
}

/** Which assignments are picked, to be tried together. */
function usePicking(work: Work) {
  const [pickedKeys, setPicked] = useState<ReadonlySet<string>>(new Set());
  const pick = (key: string, on: boolean) => {
    const next = new Set(pickedKeys);
    if (on) next.add(key);
    else next.delete(key);
    setPicked(next);
  };
  const picked = work.rows.filter((row) => pickedKeys.has(keyOf(row)));
  return { pickedKeys, picked, pick, clear: () => setPicked(new Set()) };
}

function WorkList({ whole }: { whole: Work }) {
  const { t } = useTranslation();
  const format = useFormat();
  const looks = useLooks();
  const work = useShown(whole);
  const [filter, change] = useWorkFilter();
  // Open where it is narrow already.
  const [filtering, setFiltering] = useState(isNarrow(filter));
  const { pickedKeys, picked, pick, clear } = usePicking(work);
  const found = useFound(work.rows, useDeferredValue(filter.q));
  const rows = useMemo(
    () => arrangeWork(work.rows, filter, { found, now: work.asOf }),
    [work, filter, found],
  );
  const lines = useMemo(() => linesOf(rows, filter.sort, format.dateOf), [rows, filter.sort, format]);
  const header = (
    <Stack space={1} style={looks.head}>
      <Top
        work={work}
        toggle={<FiltersToggle open={filtering} onPress={() => setFiltering(!filtering)} />}
        offers={<WorkOffers few offers={work.offers} />}
      />
      <WorkFilters rows={work.rows} filter={filter} onChange={change} open={filtering} />
      {lines.length === 0 ? <Quiet>{t(isNarrow(filter) ? 'work.noneFound' : 'work.nothing')}</Quiet> : null}
    </Stack>
  );
  return (
    <View style={styles.fill}>
      <GrowingList name="work" items={lines} header={header} style={own.list}>
        {(shown) =>
          blocksOf(shown).map(({ heads, rows: block }) => (
            <View key={heads.map(({ key }) => key).join()}>
              {heads.map((line) => (
                <Head key={line.key} line={line} />
              ))}
              <List>
                {block.map(({ key, row }) => (
                  <WorkLine
                    key={key}
                    row={row}
                    offers={work.offers.filter(
                      ({ studentId, itemId }) => studentId === row.studentId && itemId === row.itemId,
                    )}
                    picked={pickedKeys.has(key)}
                    onPick={(on) => pick(key, on)}
                  />
                ))}
              </List>
            </View>
          ))
        }
      </GrowingList>
      {picked.length > 0 ? <PickBar picked={picked} onClear={clear} /> : null}
    </View>
  );
}

/** What is still open, what can still be mended until when, and which of it is worth doing first? */
export function WorkScreen() {
  const { t } = useTranslation();
  const wide = useWide();
  const query = useWorkQuery();
  return (
    <Loaded query={query}>
      {(whole) => {
        const list = <WorkList whole={whole} />;
        if (!wide) return list;
        return (
          <Panes
            wideList
            list={list}
            detail={
              <Page sheet>
                {whole.offers.length > 0 ? <OffersShown whole={whole} /> : <Quiet>{t('work.order')}</Quiet>}
              </Page>
            }
          />
        );
      }}
    </Loaded>
  );
}

const OffersShown = ({ whole }: { whole: Work }) => <WorkOffers offers={useShown(whole).offers} />;

const own = StyleSheet.create({
  group: { paddingTop: 16, paddingBottom: 4 },
  filters: { paddingTop: 16 },
  list: { paddingHorizontal: margin, paddingBottom: 40 },
});

const useLooks = themed((palette, wide) => ({
  head: { paddingTop: wide ? 28 : 8 },
}));
