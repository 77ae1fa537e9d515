import { inDesk } from '../../places';

export default inDesk((desk) => desk.KeptScreen);
