export { deliver, deliveryReturned, wantDeliveries, type DeliverDeps } from './deliver';
export { makeDigests } from './digests';
export { LiveAlerts } from './live';
export { lookAtChildren, lookAtGuardians, roundsJob, upkeepJob, wantLooks } from './look';
export { dueDeliveries } from './outboxStore';
export { Rehearser } from './rehearser';
export { alertRouter } from './routes';
export { alertSettings, changeSettings } from './settings';
export { raisedAlerts } from './store';
