import { useEffect, useRef, useState, type ReactNode } from 'react';
import { useTranslation } from 'react-i18next';
import type { KeptDraft } from '@cadro/contract';
import { Loaded, Quietly, Row, Words } from '../ui';
import { useDraftsQuery, useDropDraftMutation, useKeepDraftMutation } from './api';

/** So long after the last stroke what is written is kept. */
const restMs = 800;

/** What is being written, and the screen on which it goes on. */
export type Beginning = Omit<KeptDraft, 'fields'>;
type Fields = { readonly [F in keyof KeptDraft['fields']]?: string };

/** A form whose fields are kept until it is sent or thrown away. */
export interface Writing<F extends Fields> {
  readonly fields: F;
  readonly set: (change: Partial<F>) => void;
  /** It has been sent: nothing is kept of it any more. */
  readonly done: () => void;
  /** Whether anything has been written that is kept. */
  readonly begun: boolean;
  readonly throwAway: () => void;
  /** Brings back what was thrown away; null where nothing was. */
  readonly undo: (() => void) | null;
}

function useWriting<F extends Fields>(about: Beginning, fresh: F, kept: Fields | undefined): Writing<F> {
  const [keep] = useKeepDraftMutation();
  const [drop] = useDropDraftMutation();
  const [fields, setFields] = useState<F>({ ...fresh, ...kept });
  const [thrown, setThrown] = useState<F | null>(null);
  const first = useRef(fresh);
  const waiting = useRef<{ readonly timer: ReturnType<typeof setTimeout>; readonly save: () => void } | null>(
    null,
  );
  const isFresh = (next: F) => JSON.stringify(next) === JSON.stringify(first.current);
  const save = (next: F) => void (isFresh(next) ? drop(about.key) : keep({ ...about, fields: next }));
  const stop = () => {
    if (waiting.current) clearTimeout(waiting.current.timer);
    waiting.current = null;
  };
  const later = (next: F) => {
    stop();
    const now = () => {
      stop();
      save(next);
    };
    waiting.current = { timer: setTimeout(now, restMs), save: now };
  };
  // Who leaves the screen leaves nothing behind.
  useEffect(() => () => waiting.current?.save(), []);
  const put = (next: F) => {
    setFields(next);
    setThrown(null);
    later(next);
  };
  return {
    fields,
    set: (change) => put({ ...fields, ...change }),
    done: () => {
      stop();
      setFields(first.current);
      void drop(about.key);
    },
    begun: !isFresh(fields),
    throwAway: () => {
      stop();
      setThrown(fields);
      setFields(first.current);
      void drop(about.key);
    },
    undo: thrown && (() => put(thrown)),
  };
}

function Form<F extends Fields>({ about, fresh, kept, children }: Begin<F> & { kept: Fields | undefined }) {
  return children(useWriting(about, fresh, kept));
}

interface Begin<F extends Fields> {
  about: Beginning;
  /** What the form holds before anybody has written anything. */
  fresh: F;
  children: (writing: Writing<F>) => ReactNode;
}

/** Begins a form with what is kept of it: it is asked for first, so that nothing is written over. */
export function Begun<F extends Fields>(begin: Begin<F>) {
  const {
    data,
    isFetching,
    isError,
    fulfilledTimeStamp = 0,
    refetch,
  } = useDraftsQuery(undefined, {
    refetchOnMountOrArgChange: true,
  });
  const { key } = begin.about;
  // As it was when the form was opened: from then on the form itself knows best.
  const [drafts, setDrafts] = useState<readonly KeptDraft[] | null>(null);
  // What was known before it was opened may be older than what has just been kept.
  const [openedMs] = useState(() => Date.now());
  const isFresh = isError || fulfilledTimeStamp >= openedMs;
  if (drafts === null && data && !isFetching && isFresh) setDrafts(data.drafts);
  return (
    <Loaded query={{ data: drafts ?? undefined, isError, refetch }}>
      {(all) => <Form {...begin} key={key} kept={all.find((draft) => draft.key === key)?.fields} />}
    </Loaded>
  );
}

/** Under what is written: that it is kept, and the ways to throw it away and to take that back. */
export function BegunLine({ writing: { begun, throwAway, undo } }: { writing: Writing<Fields> }) {
  const { t } = useTranslation();
  if (undo)
    return (
      <Row space={2}>
        <Words size="small" colour="soft" live>
          {t('begun.thrown')}
        </Words>
        <Quietly label={t('begun.undo')} onPress={undo} />
      </Row>
    );
  if (!begun) return null;
  return (
    <Row space={2}>
      <Words size="small" colour="soft">
        {t('begun.kept')}
      </Words>
      <Quietly label={t('begun.throwAway')} onPress={throwAway} />
    </Row>
  );
}
