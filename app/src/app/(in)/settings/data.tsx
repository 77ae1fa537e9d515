import { DataScreen } from '../../../household';

export default DataScreen;
