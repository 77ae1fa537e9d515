import { useLocalSearchParams } from 'expo-router';
import type { AboutWork } from '../../../../../sources';
import { inOwn } from '../../../../../places';

const WriteWork = inOwn((own) => own.WriteWork);

type Asked = Record<'studentId' | 'courseId', string> &
  Partial<Record<'itemId' | 'title' | 'dueOn' | 'possible', string>>;

/** What the address says of an assignment of the school's. */
function aboutOf({ itemId, title, dueOn, possible }: Asked): AboutWork | null {
  if (!itemId || !title) return null;
  const points = Number(possible);
  return { itemId, title, dueOn: dueOn ?? null, possible: Number.isFinite(points) ? points : null };
}

export default function Write() {
  const asked = useLocalSearchParams<Asked>();
  const { studentId, courseId, itemId } = asked;
  return (
    <WriteWork key={`${courseId}:${itemId ?? ''}`} {...{ studentId, courseId }} about={aboutOf(asked)} />
  );
}
