import { ChildMark } from '../ui';
import { useChildren } from './children';

/** The mark of one child; of nobody's when the child is not linked any more. */
export function MarkOf({ studentId, size }: { studentId: string; size?: number }) {
  const { markOf } = useChildren();
  const mark = markOf(studentId);
  return mark ? <ChildMark {...mark} {...(size ? { size } : {})} /> : null;
}
