import { SideBySide } from '../../../gradebook';

export default SideBySide;
