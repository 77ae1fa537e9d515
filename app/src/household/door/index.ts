export * from './ConfirmAddress';
export * from './Forgotten';
export * from './LinkChild';
export * from './NewHere';
export * from './OneTimeField';
export { SignIn } from './SignIn';
export * from './SignInAgain';
export * from './Unconfirmed';
export * from './Trouble';
