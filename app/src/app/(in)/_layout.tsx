import { Redirect } from 'expo-router';
import { useMeQuery } from '../../household';
import { isServerProblem } from '../../i18n';
import { Shell } from '../../shell';
import { Failed, Loading } from '../../ui';

export { ScreenComing as SuspenseFallback } from '../../ui';

/** Everything below asks for a session; without one it leads to the door. */
export default function SignedIn() {
  const { data: me, error, isError, refetch } = useMeQuery();
  if (isServerProblem(error) && error.status === 401) return <Redirect href="/sign-in" />;
  if (me) return <Shell />;
  return isError ? <Failed onRetry={() => void refetch()} /> : <Loading />;
}
