export { deliver, deliveryReturned, type DeliverDeps } from './deliver';
export { makeDigests } from './digests';
export { LiveAlerts } from './live';
export { lookAtChildren, lookAtGuardians } from './look';
export { dueDeliveries } from './outbox';
export { Rehearser } from './rehearser';
export { alertRouter } from './routes';
export { alertSettings, changeSettings } from './settings';
export { raisedAlerts } from './store';
