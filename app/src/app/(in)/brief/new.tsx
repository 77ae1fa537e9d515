import { inBrief } from '../../../places';

export default inBrief((brief) => brief.NewsScreen);
