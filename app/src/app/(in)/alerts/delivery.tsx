import { DeliveryScreen } from '../../../alerts';

export default DeliveryScreen;
