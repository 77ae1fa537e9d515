import { Settings } from '../../household';

export default Settings;
