import { onFileRoutes, type Child, type OnFile } from '@cadro/contract';
import type { Router } from 'express';
import { mount, newRouter, type Db, type ServerDeps } from '../../kit';
import { childFile, desksOf, namedFor } from '../../records';
import { requireChild } from '../access';
import { isNamed } from './namedStore';

/** What the school has on file of a child, as far as who asks may see it. */
export async function onFile(db: Db, guardianId: string, child: Child): Promise<OnFile> {
  const [file, people, desks, known] = await Promise.all([
    childFile(db, child.id),
    namedFor(db, child.id),
    desksOf(db, [child.id]),
    isNamed(db, { studentId: child.id, personId: guardianId }),
  ]);
  const office = desks.get(child.id);
  return {
    studentId: child.id,
    schoolName: child.schoolName,
    child: file
      ? {
          name: `${child.givenName} ${child.familyName}`,
          ...{ email: file.email, phone: file.phone, sms: file.sms, address: file.address },
          ...{ birthDate: file.birth_date, sex: file.sex },
        }
      : null,
    people: people.map(({ agent: _agent, name, relation, reached, ...reach }) => ({
      ...{ name, relation },
      reach: reached ? reach : null,
    })),
    known: known || child.role === 'student',
    office: office ? { id: office.id, name: office.name, contactable: office.email !== null } : null,
  };
}

/** What the school has on file. */
export function onFileRouter(given: ServerDeps): Router {
  const router = newRouter(given);
  mount(router, onFileRoutes.read, async ({ deps: { db }, guardianId, params }) =>
    onFile(db, guardianId, await requireChild(db, guardianId, params.studentId, 'read-file')),
  );
  return router;
}
