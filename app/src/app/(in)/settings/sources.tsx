import { SourcesScreen } from '../../../sources';

export default SourcesScreen;
