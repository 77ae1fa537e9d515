import type { TaskList } from 'graphile-worker';
import { Uuid } from '@cadro/contract';
import { parse } from '@cadro/contract/parse';
import { Type } from '@sinclair/typebox';
import type { Config } from '../config';
import type { Clock, Db } from '../db';
import { deliver, dueDeliveries, lookAtChildren, lookAtGuardians, makeDigests } from '../alerts';
import { sendMail, type MailDeps } from '../messages';
import { computeFigures } from '../outlook';
import { allSources, SourceError, syncSource } from '../sources';
import { enqueueDelivery, enqueueRounds, enqueueSync } from './queue';

const SourceJob = Type.Object({ sourceId: Uuid });
const StudentJob = Type.Object({ studentId: Uuid });
const StudentsJob = Type.Object({ studentIds: Type.Array(Uuid) });
const DeliveryJob = Type.Object({ deliveryId: Uuid });
const MessageJob = Type.Object({ messageId: Uuid });

export interface JobDeps {
  readonly db: Db;
  readonly clock: Clock;
  readonly config: Config;
  readonly mail: MailDeps;
}

/** Every job by name. A job that throws is tried again by the queue, later each time. */
export function tasksOf({ db, clock, config, mail }: JobDeps): TaskList {
  return {
    async syncAll() {
      for (const { id } of await allSources(db)) await enqueueSync(db, id);
    },
    async syncSource(payload) {
      const { sourceId } = parse('job syncSource', SourceJob, payload);
      await syncSource({ db, clock, config }, sourceId).catch((error: unknown) => {
        // Refused credentials do not mend by themselves: it is told, and the next round tries again.
        if (!(error instanceof SourceError) || error.retryable) throw error;
      });
    },
    async computeFigures(payload) {
      const { studentId } = parse('job computeFigures', StudentJob, payload);
      await computeFigures({ db, clock }, studentId);
    },
    async lookAtChildren(payload) {
      const { studentIds } = parse('job lookAtChildren', StudentsJob, payload);
      await lookAtChildren({ db, clock }, studentIds);
      await enqueueRounds(db);
    },
    async lookAtGuardians() {
      await lookAtGuardians({ db, clock });
      await enqueueRounds(db);
    },
    async alertRounds() {
      await makeDigests({ db, clock });
      for (const id of await dueDeliveries(db, await clock.now())) await enqueueDelivery(db, id);
    },
    async deliver(payload) {
      const { deliveryId } = parse('job deliver', DeliveryJob, payload);
      await deliver({ db, clock, config, transport: mail.transport }, deliveryId);
    },
    async sendMail(payload, { job }) {
      const { messageId } = parse('job sendMail', MessageJob, payload);
      await sendMail(mail, messageId, job.attempts >= job.max_attempts);
    },
  };
}
