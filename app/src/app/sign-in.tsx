import { inDoor } from '../places';

export default inDoor((door) => door.SignIn);
