import { useEffect, useState } from 'react';
import type { CourseDetail } from '@cadro/contract';
import { courseOf, useCoursesQuery } from '../../gradebook/api';
import { useAppDispatch } from '../../store';

interface Coming {
  readonly data?: readonly CourseDetail[];
  readonly isError: boolean;
  readonly refetch: () => void;
}

/** Every course of a child as its own page has it, in the order of the list. */
export function useTermCourses(studentId: string): Coming {
  const dispatch = useAppDispatch();
  const list = useCoursesQuery();
  const [turn, setTurn] = useState(0);
  const [coming, setComing] = useState<{ data?: readonly CourseDetail[]; isError: boolean }>({
    isError: false,
  });
  const ids = (list.data?.courses ?? []).filter((each) => each.studentId === studentId).map(({ id }) => id);
  const asked = ids.join();
  useEffect(() => {
    if (asked === '') return undefined;
    const queries = asked
      .split(',')
      .map((courseId) => dispatch(courseOf({ studentId, courseId, termId: undefined })));
    let left = false;
    Promise.all(queries.map((query) => query.unwrap())).then(
      (data) => (left ? undefined : setComing({ data, isError: false })),
      () => (left ? undefined : setComing({ isError: true })),
    );
    return () => {
      left = true;
      for (const query of queries) query.unsubscribe();
    };
  }, [asked, dispatch, studentId, turn]);
  return {
    ...(coming.data ? { data: coming.data } : {}),
    isError: coming.isError || list.isError,
    refetch: () => {
      void list.refetch();
      setTurn((before) => before + 1);
    },
  };
}
