import { DaysScreen } from '../../attendance';

export default DaysScreen;
