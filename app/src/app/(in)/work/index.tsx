import { inWork } from '../../../places';

export default inWork((work) => work.WorkScreen);
