import { NewsScreen } from '../../../outlook';

export default NewsScreen;
