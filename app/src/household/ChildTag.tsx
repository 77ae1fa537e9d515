import { ChildMark, Row, Words } from '../ui';
import { useChildren } from './children';

/** The mark of one child; of nobody's when the child is not linked any more. */
export function MarkOf({ studentId, size }: { studentId: string; size?: number }) {
  const { markOf } = useChildren();
  const mark = markOf(studentId);
  return mark ? <ChildMark {...mark} {...(size ? { size } : {})} /> : null;
}

/** A child's mark with the name. */
export function ChildTag({ studentId }: { studentId: string }) {
  const { nameOf } = useChildren();
  return (
    <Row space={0.5}>
      <MarkOf studentId={studentId} />
      <Words size="small" colour="soft">
        {nameOf(studentId)}
      </Words>
    </Row>
  );
}
