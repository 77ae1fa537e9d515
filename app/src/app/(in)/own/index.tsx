import { inOwn } from '../../../places';

export default inOwn((own) => own.NewChild);
