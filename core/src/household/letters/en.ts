import type { LetterWords } from './words';

const notYou = 'If this wasn’t you, you can ignore this message. Nothing happens until the link is opened.';
const secure =
  'If this wasn’t you, set a new password now: choose “Forgot your password?” on the sign-in page. That signs out every device.';

const letters: LetterWords['letters'] = {
  confirm: {
    subject: 'Confirm your address for Cadro',
    paragraphs: [
      'Hello {name},',
      'Tap the link to confirm that this address is yours. Until you do, Cadro sends nothing else to it: no alerts, no digests.',
    ],
    action: { words: 'Confirm my address', path: '/confirm' },
    foot: [notYou, 'The link works for seven days.'],
  },
  arrival: {
    subject: 'Finish setting up Cadro',
    paragraphs: [
      'Hello {name},',
      'Tap the link to open your account. After that you can sign in and add your child as soon as you have the code from the school.',
    ],
    action: { words: 'Open my account', path: '/confirm' },
    foot: [notYou, 'The link works for seven days.'],
  },
  'known-here': {
    subject: 'You already have a Cadro account',
    paragraphs: [
      'Hello {name},',
      'Someone just tried to use this address for a new account. It already has one, so nothing was changed.',
      'If it was you, sign in with your password, or set a new one if you’ve forgotten it.',
    ],
    action: { words: 'Sign in', path: '/sign-in' },
    foot: ['If it wasn’t you, there’s nothing you need to do.'],
  },
  password: {
    subject: 'Set a new password for Cadro',
    paragraphs: ['Hello {name},', 'You asked to set a new password. The link works once, for 30 minutes.'],
    action: { words: 'Choose a new password', path: '/new-password' },
    foot: ['When you set it, every device that is signed in gets signed out.', notYou],
  },
  'password-changed': {
    subject: 'Your Cadro password was changed',
    paragraphs: ['Hello {name},', 'Your password was just changed, and your other devices were signed out.'],
    foot: [secure],
  },
  'change-from': {
    subject: 'Is {address} your new address?',
    paragraphs: [
      'Hello {name},',
      'You asked Cadro to write to {address} from now on. Please confirm here, and also in the message we sent to the new address.',
    ],
    action: { words: 'Yes, change it', path: '/confirm' },
    foot: ['The link works for one day. ' + secure],
  },
  'change-to': {
    subject: 'Confirm your new address for Cadro',
    paragraphs: [
      'Hello {name},',
      'You asked Cadro to write to this address from now on. Please confirm it here, and also in the message we sent to the old one.',
    ],
    action: { words: 'Confirm this address', path: '/confirm' },
    foot: ['The link works for one day.', notYou],
  },
  'address-changed': {
    subject: 'Cadro now writes to {address}',
    paragraphs: ['Your account has a new address: {address}. Nothing more is sent to this one.'],
    foot: ['If this wasn’t you, write to the school office right away.'],
  },
  'new-device': {
    subject: 'A new device signed in to Cadro',
    paragraphs: ['Your account was just used on a new device: {device}.'],
    action: { words: 'See where you’re signed in', path: '/settings/safety' },
    foot: [secure],
  },
  leaving: {
    subject: 'Your Cadro account will be deleted',
    paragraphs: [
      'Hello {name},',
      'You asked us to delete your account. That happens on {until}. Until then nothing is sent to you, and you can change your mind: sign in and choose “Keep my account”.',
    ],
    action: { words: 'Sign in', path: '/sign-in' },
    foot: ['Letters you sent stay with the school. Everything else that’s only yours is deleted.', secure],
  },
  invitation: {
    subject: '{inviter} would like to share {child}’s schoolwork with you',
    paragraphs: [
      '{inviter} uses Cadro to keep up with {child}’s schoolwork and invites you to see it too, {role}.',
      'Open the link, or go to Cadro, choose “New here”, and type this code:',
    ],
    action: { words: 'See the invitation', path: '/new' },
    foot: ['The code works once, for 14 days. If you don’t know {inviter}, please ignore this message.'],
  },
  'school-invitation': {
    subject: 'See {child}’s schoolwork in Cadro',
    paragraphs: [
      'The school invites you to keep up with {child}’s schoolwork in Cadro, {role}.',
      'Open the link, or go to Cadro, choose “New here”, and type this code:',
    ],
    action: { words: 'See the invitation', path: '/new' },
    foot: [
      'The code works once, for 14 days. If this isn’t about your family, please tell the school office.',
    ],
  },
  'notice-link-made': {
    subject: 'Someone new can see {child}’s schoolwork',
    paragraphs: ['{who} can see {child}’s schoolwork now, {role}.'],
    action: { words: 'See who it is', path: '/settings/people' },
    foot: ['If this isn’t right, object there: nothing stays open to them until the school has answered.'],
  },
  'notice-link-ended': {
    subject: 'Someone no longer sees {child}’s schoolwork',
    paragraphs: ['{who} no longer sees {child}’s schoolwork.'],
    action: { words: 'See who still does', path: '/settings/people' },
    foot: [],
  },
  'notice-role-changed': {
    subject: 'Someone’s access to {child}’s schoolwork changed',
    paragraphs: ['{who} now sees {child}’s schoolwork {role}.'],
    action: { words: 'See who sees what', path: '/settings/people' },
    foot: [],
  },
  'notice-suspended': {
    subject: 'Access to {child}’s schoolwork is on hold',
    paragraphs: ['Someone objected, so {who} can’t see {child}’s schoolwork until the school has answered.'],
    action: { words: 'See who sees what', path: '/settings/people' },
    foot: [],
  },
  'notice-restored': {
    subject: 'The school has answered about {child}',
    paragraphs: ['The school has decided that {who} may see {child}’s schoolwork.'],
    action: { words: 'See who sees what', path: '/settings/people' },
    foot: ['If you have questions about this, please ask the school office.'],
  },
  'notice-new-device': {
    subject: '{who} signed in on a new device',
    paragraphs: ['{who} signed in to Cadro on a new device: {device}. If that surprises you, ask them.'],
    foot: [],
  },
  'notice-address-changed': {
    subject: '{who} has a new address in Cadro',
    paragraphs: ['{who} changed the e-mail address of their account. If that surprises you, ask them.'],
    foot: [],
  },
};

export const en: LetterWords = {
  letters,
  roles: {
    guardian: 'as a guardian',
    'look-only': 'looking only',
    helper: 'as a helper',
    student: 'with an account of their own',
  },
  somebody: 'Someone outside your household',
  someDevice: 'one that doesn’t say its name',
};
