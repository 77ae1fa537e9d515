import { useLocalSearchParams } from 'expo-router';
import { useMeQuery } from '../../household';
import { isServerProblem } from '../../i18n';
import { Failed, LedTo, Loading } from '../../ui';
import { inPlan } from '../../places';

const ShownPlan = inPlan((plan) => plan.ShownPlan);

/** What a child is shown: one plan, without the places around it. */
export default function Shown() {
  const { studentId } = useLocalSearchParams<{ studentId: string }>();
  const { data: me, error, isError, refetch } = useMeQuery();
  if (isServerProblem(error) && error.status === 401) return <LedTo to="/sign-in" />;
  if (me) return <ShownPlan studentId={studentId} />;
  return isError ? <Failed onRetry={() => void refetch()} /> : <Loading />;
}
