import { OutScreen } from '../../../gradebook';

export default OutScreen;
