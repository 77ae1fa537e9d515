import { Settings } from '../../../shell';

export default Settings;
