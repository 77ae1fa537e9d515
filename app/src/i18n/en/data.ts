/** One's own data. */
export const dataEn = {
  file: {
    title: 'What the school has on file about {{child}}',
    to: 'What the school has on file',
    lead: 'From {{school}}. Worth a look once a year.',
    untold:
      '{{school}} doesn’t share what it has on file, or doesn’t show it to you. Please ask the school office.',
    born: 'Born on {{when}}',
    people: 'Who the school calls',
    nobody: 'The school lists no one.',
    unknown:
      'No one here has the e-mail address you use for Cadro. If you’re one of these people, ask the office to add it, so the school knows which one you are.',
    others: 'How the school reaches them is for their own household to see.',
    relations: { guardian: 'guardian', parent: 'parent', relative: 'relative' },
    reach: {
      phone: 'Phone {{value}}',
      sms: 'Texts to {{value}}',
      email: 'E-mail {{value}}',
      address: 'Address {{value}}',
    },
    none: {
      phone: 'No phone number',
      sms: 'No number for texts',
      email: 'No e-mail address',
      address: 'No address',
    },
    wrong: 'This isn’t right',
    noOffice: 'The school lists no office to write to.',
    wrongHint: 'Opens a letter to {{office}}.',
    subject: '{{child}}: what you have on file',
    letter:
      'Please change what you have on file about {{child}}:\n\n{{lines}}\n\nIt should be: \n\nThank you, and best wishes\n{{guardian}}',
  },
  data: {
    title: 'Your data',
    toData: 'Your data',
    consentTitle: 'Before you go on',
    consentLead: 'Those who run this Cadro ask everyone to agree to how it handles children’s records.',
    consentRead: 'Read it',
    consentYes: 'I’ve read it, and I agree',
    consentElse: 'If you’d rather not: you can download your data and delete your account.',
    agreed: 'You agreed to how this Cadro handles records ({{version}}) on {{when}}.',
    names: 'What you’re called',
    name: 'Your name',
    nameHint: 'Your household sees it, and other households only if yours shows itself.',
    givenName: 'What Cadro calls you',
    givenNameHint: 'Only you see it.',
    shownAs: 'Your name in letters to teachers',
    shownAsHint:
      'Teachers see it instead of your name. Leave it empty to use your name. They never see your e-mail address.',
    save: 'Save',
    saved: 'Saved',
    contacts: 'How Cadro reaches you',
    emailSeen: 'Your e-mail address: only Cadro uses it. Neither teachers nor other guardians see it.',
    phoneSeen: 'A phone number, if you want texts: only Cadro uses it, and you can leave it out.',
    kept: 'What Cadro keeps, why, and how long',
    keptLead: 'Nothing here is sold, shared for advertising, or used to train anything.',
    what: {
      account: {
        what: 'Your name, e-mail address, password (as a fingerprint no one can read back) and language',
        why: 'So that you can sign in and get what you asked for. Until you delete your account.',
      },
      record: {
        what: 'Your children’s grades, assignments, comments and attendance',
        why: 'From the school, so that you can see them. As long as the school sends them and you’re linked to the child; {{leftDays}} days after a child has left and no one here sees it anymore, they’re deleted.',
      },
      written: {
        what: 'Follow-ups, plans, notes, targets and what you’ve tried out',
        why: 'For you and your household only. Until the last of you deletes their account.',
      },
      letters: {
        what: 'Letters you send to teachers, and their answers',
        why: 'They are part of the school’s correspondence and stay with it, without your address.',
      },
      trail: {
        what: 'Who opened a child’s record on which day, and changes to who sees it',
        why: 'So that guardians can check. It can’t be changed by anyone.',
      },
      sessions: {
        what: 'The devices you’re signed in on',
        why: 'So that you can see them and sign them out. Until you sign out or they run out.',
      },
      mail: {
        what: 'Which messages were sent to you, and when',
        why: 'So that none is sent twice and you can see what failed. For {{mailDays}} days.',
      },
    },
    takeTitle: 'Take it with you',
    takeLead:
      'Everything about you and your children as one archive: records as JSON, attendance as a table, the calendar, your letters.',
    take: 'Download everything',
    leaveTitle: 'Delete your account',
    leaveLead:
      'Your account and everything that’s only yours are deleted after 30 days. Until then you can change your mind. Letters stay with the school.',
    leave: 'Delete my account',
    leaves: 'Your account will be deleted on {{when}}. Until then nothing is sent to you.',
    stay: 'Keep my account',
  },
};
