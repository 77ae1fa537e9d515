export * from './ConfirmAddress';
export * from './Forgotten';
export * from './LinkChild';
export * from './NewHere';
export * from './OneTimeField';
export * from './SignIn';
export * from './Unconfirmed';
export * from './Trouble';
