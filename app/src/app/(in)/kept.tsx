import { KeptScreen } from '../../desk';

export default KeptScreen;
