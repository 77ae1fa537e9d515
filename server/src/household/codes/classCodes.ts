import type { Issuer, Role } from '@cadro/contract';
import { dateIn } from '@cadro/core';
import { stringify } from 'csv-stringify/sync';
import type { Db } from '../../kit';
import { addressOfCode, giveCode } from '../door/giveCode';
import { classList, type ClassFilter } from './classStore';

/** A code in the clear, as it is printed once; the table knows its hash alone. */
export interface GivenCode {
  readonly studentId: string;
  readonly givenName: string;
  readonly familyName: string;
  readonly year: string;
  readonly schoolName: string;
  readonly code: string;
  /** The last day it works where the child goes to school, `YYYY-MM-DD`. */
  readonly until: string;
}

export interface Giving {
  readonly issuer: Extract<Issuer, 'school' | 'teacher'>;
  readonly role: Role;
  readonly days: number;
  readonly now: Date;
}

/** Makes one code for each child of a list, all or none. */
export async function giveCodes(
  db: Db,
  filter: ClassFilter,
  { issuer, role, days, now }: Giving,
): Promise<GivenCode[]> {
  const children = await classList(db, filter);
  return db.transaction(async (trx) => {
    const given: GivenCode[] = [];
    for (const { studentId, timeZone, ...child } of children) {
      const { code, expiresAt } = await giveCode(trx, days, {
        ...{ issuer, role, invitedBy: null, householdId: null, email: null, studentIds: [studentId], now },
      });
      given.push({ studentId, ...child, code, until: dateIn(timeZone, expiresAt) });
    }
    return given;
  });
}

/**
 * Codes as a table for whoever sends them out: one line for each child, with the address that brings the code along.
 * What a spreadsheet would take for a formula is kept as text.
 */
export const codesCsv = (codes: readonly GivenCode[], publicUrl: string): string =>
  stringify(
    codes.map(({ studentId, givenName, familyName, year, schoolName, code, until }) => [
      ...[studentId, familyName, givenName, year, schoolName, code, addressOfCode(publicUrl, code), until],
    ]),
    {
      header: true,
      bom: true,
      record_delimiter: 'windows',
      escape_formulas: true,
      columns: [
        ...['student_id', 'family_name', 'given_name', 'year', 'school', 'code', 'address', 'works_until'],
      ],
    },
  );
