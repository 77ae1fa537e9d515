/** The words of what is being written and kept meanwhile. */
export const begunEn = {
  begun: {
    title: 'Drafts',
    kept: 'Kept as you write.',
    throwAway: 'Discard',
    thrown: 'Discarded.',
    undo: 'Undo',
    kinds: { letter: 'letter', note: 'note', 'follow-up': 'talk at home' },
    saved: '{{kind}}, started {{when}}',
    undoFollowUp: 'That was a mistake: undo',
  },
};
