import { useLocalSearchParams, useRouter } from 'expo-router';
import { useMemo } from 'react';
import { filterOf, noFilter, type WorkFilter } from './arrangeWork';

/** What the list is narrowed down to, kept in the address: it can be sent on, and the way back finds it again. */
export function useWorkFilter(): [WorkFilter, (change: Partial<WorkFilter>) => void] {
  const params = useLocalSearchParams<Record<string, string>>();
  const router = useRouter();
  const filter = useMemo(() => filterOf(params), [params]);
  const change = (next: Partial<WorkFilter>) => {
    // What is as usual is not in the address.
    const plain = Object.entries(next).map(([name, value]) => [
      name,
      value === noFilter[name as keyof WorkFilter] ? undefined : value,
    ]);
    router.setParams(Object.fromEntries(plain) as Record<string, string>);
  };
  return [filter, change];
}
