import { Skeleton } from '@rneui/themed';
import { useDeferredValue, type ReactNode } from 'react';
import { StyleSheet, View } from 'react-native';
import { useTranslation } from 'react-i18next';
import { useAppSelector } from '../store';
import { styles } from './theme/styles';
import { Action } from './controls/Controls';
import { Stack } from './Layout';
import { margin } from './theme/palette';
import { Words } from './Words';

/** The shape of what is coming, while it loads. */
export function Loading({ rows = 5 }: { rows?: number }) {
  const { t } = useTranslation();
  return (
    <View role="status" aria-label={t('state.loading')} style={own.state}>
      <View aria-hidden style={own.bones}>
        <Skeleton width={220} height={30} />
        {Array.from({ length: rows }, (_, row) => (
          <Stack key={row}>
            <Skeleton width={140} height={12} />
            <Skeleton height={18} />
            <Skeleton width={200} height={12} />
          </Stack>
        ))}
      </View>
    </View>
  );
}

/** Something went wrong, in a sentence, with what to do. */
export function Failed({ onRetry, message }: { onRetry: () => void; message?: string }) {
  const { t } = useTranslation();
  const away = useAppSelector((state) => state.reach.away);
  return (
    <View role="alert" style={own.missing}>
      <Words>{message ?? t(away ? 'state.away' : 'state.failed')}</Words>
      <Action label={t('state.again')} onPress={onRetry} />
    </View>
  );
}

/** An empty place says why it is empty. */
export function Quiet({ children }: { children: ReactNode }) {
  return (
    <View style={styles.around12}>
      <Words colour="soft">{children}</Words>
    </View>
  );
}

interface Query<T> {
  readonly data?: T | undefined;
  readonly isError: boolean;
  readonly refetch: () => unknown;
}

/**
 * 'Have data', 'is loading' and 'last try failed' are three things: a failed refresh keeps what there is. What comes is
 * drawn piece by piece, so that a page can be touched meanwhile.
 */
export function Loaded<T>({ query, children }: { query: Query<T>; children: (data: T) => ReactNode }) {
  const data = useDeferredValue(query.data);
  if (data !== undefined) return <>{children(data)}</>;
  if (query.isError) return <Failed onRetry={() => void query.refetch()} />;
  return <Loading />;
}

const own = StyleSheet.create({
  state: { padding: margin },
  bones: { gap: 20 },
  missing: { padding: margin, gap: 12 },
});
