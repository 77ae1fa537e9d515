import { DigestScreen } from '../../../alerts';

export default DigestScreen;
