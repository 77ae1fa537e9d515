import { SignIn } from '../household';

export default SignIn;
