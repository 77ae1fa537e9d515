import { inAlerts } from '../../../places';

export default inAlerts((alerts) => alerts.DeliveryScreen);
