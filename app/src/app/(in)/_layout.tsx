import { Redirect, usePathname } from 'expo-router';
import { useState } from 'react';
import { useMeQuery } from '../../household';
import { isServerProblem } from '../../i18n';
import { Shell } from '../../shell';
import { Failed, Loading } from '../../ui';

export { ScreenComing as SuspenseFallback } from '../../ui';

/** Everything below asks for a session; without one it leads to the door, and from there to where one wanted to go. */
export default function SignedIn() {
  const { data: me, error, isError, refetch } = useMeQuery();
  // As it was when the address was opened: on the way to the door it is no longer so.
  const [opened] = useState(usePathname());
  if (isServerProblem(error) && error.status === 401) {
    return (
      <Redirect
        href={{ pathname: '/sign-in', params: ['/', '/brief'].includes(opened) ? {} : { to: opened } }}
      />
    );
  }
  if (me) return <Shell />;
  return isError ? <Failed onRetry={() => void refetch()} /> : <Loading />;
}
