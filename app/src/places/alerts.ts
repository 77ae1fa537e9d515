export { AlertList, AlertView, DeliveryScreen, DigestScreen, DigestSheet } from '../alerts';
