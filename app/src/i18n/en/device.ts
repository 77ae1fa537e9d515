/** Without a connection, and what a device keeps. */
export const deviceEn = {
  away: 'No connection.',
  awaySince: 'No connection. What you see is from {{age}}.',
  newVersion: 'There’s a new version of Cadro.',
  takeOver: 'Use the new version',
  ask: 'Read Cadro without a connection?',
  askLead:
    'Cadro can keep a copy on this device, for a bus or a gym with no signal. Anyone who can unlock the device could read it.',
  mine: 'Keep a copy, it’s my own device',
  others: 'Keep nothing, others use it',
  title: 'On this device',
  keeps:
    'This device keeps a copy of the records, to read without a connection. It’s deleted when you sign out.',
  hasCopy: 'keeps a copy',
  hasNone: 'keeps nothing',
  keepsNothing: 'This device keeps none of the records.',
  delete: 'Delete the copy',
  install: 'Add Cadro to the home screen',
  installByHand:
    'To open Cadro like an app, choose “Add to Home Screen” or “Install” in your browser’s menu.',
  stillIn:
    'No connection: the copy on this device is deleted, but you’re still signed in. Sign out again once you’re back online.',
} as const;
