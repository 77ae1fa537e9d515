export { deliver, deliveryReturned, wantDeliveries, type DeliverDeps } from './delivery/deliver';
export { makeDigests } from './digests/digests';
export { LiveAlerts } from './live';
export { lookAtChildren, lookAtGuardians, roundsJob, upkeepJob, wantLooks } from './look';
export { dueDeliveries } from './delivery/outboxStore';
export { Rehearser } from './rehearsal/rehearser';
export { alertRouter } from './routes';
export { alertSettings, changeSettings } from './settings';
export { raisedAlerts } from './store';
