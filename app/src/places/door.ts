export { MailStopScreen } from '../alerts';
export { ConfirmAddress, Forgotten, NewHere, NewPassword, SignIn, SignInAgain } from '../household';
