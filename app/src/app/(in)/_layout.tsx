import { usePathname } from 'expo-router';
import { useState } from 'react';
import { useAccountLanguage, useMeQuery, useSelf } from '../../household';
import { isServerProblem } from '../../i18n';
import { inDoor } from '../../places';
import { Shell } from '../../shell';
import { useAppSelector } from '../../store';
import { Failed, LedTo, Loading } from '../../ui';

const SignInAgain = inDoor((door) => door.SignInAgain);

/** Places that are none of a child's own account, and none of anybody else's. */
const guardians = ['brief', 'work', 'talk', 'alerts', 'link', 'own'];
const childs = ['desk', 'kept'];

/** Everything below asks for a session; without one it leads to the door, and from there to where one wanted to go. */
export default function SignedIn() {
  const { data: me, error, isError, refetch } = useMeQuery();
  useAccountLanguage();
  // As it was when the address was opened: on the way to the door it is no longer so.
  const self = useSelf();
  const path = usePathname();
  const [opened] = useState(path);
  const ended = useAppSelector((state) => state.session.ended);
  if (me) {
    const place = path.split('/')[1] ?? '';
    if ((self ? guardians : childs).includes(place)) return <LedTo to={self ? '/desk' : '/brief'} />;
    // What is written on the page outlives the session.
    return (
      <>
        <Shell />
        {ended ? <SignInAgain /> : null}
      </>
    );
  }
  if (isServerProblem(error) && error.status === 401) {
    const on = ['/', '/brief'].includes(opened) ? '' : `?${new URLSearchParams({ to: opened }).toString()}`;
    return <LedTo to={`/sign-in${on}`} />;
  }
  return isError ? <Failed onRetry={() => void refetch()} /> : <Loading />;
}
