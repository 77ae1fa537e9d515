import { Type } from '@sinclair/typebox';

export const roles = ['guardian', 'look-only', 'helper', 'student'] as const;
export type Role = (typeof roles)[number];
export const RoleSchema = Type.Union(roles.map((role) => Type.Literal(role)));

/** What a role may do with a linked child's record. Reading is every role's; ended links may do nothing. */
export const permissions = {
  guardian: [
    ...['read-record', 'read-talk', 'write-talk', 'manage-people', 'read-desk', 'do-work', 'read-file'],
    // Where no school keeps the record.
    'write-record',
  ],
  'look-only': ['read-record', 'read-talk', 'read-desk', 'read-file'],
  // A tutor: chosen courses of one child, until a day.
  helper: ['read-record'],
  // The child: says where its work is, ticks off its evenings, has aims of its own, keeps its desk.
  student: ['read-record', 'read-desk', 'do-work', 'keep-desk', 'read-file'],
} as const satisfies Record<Role, readonly string[]>;
export type Permission = (typeof permissions)[Role][number];

export const rolesAllowed = (permission: Permission): Role[] =>
  roles.filter((role) => (permissions[role] as readonly Permission[]).includes(permission));
