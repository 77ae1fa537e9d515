/** The words of what is being written and kept meanwhile. */
export const begunEn = {
  begun: {
    title: 'Begun',
    kept: 'Kept as you write.',
    throwAway: 'Throw away',
    thrown: 'Thrown away.',
    undo: 'Undo',
    kinds: { letter: 'letter', note: 'note', 'follow-up': 'talk at home' },
    saved: '{{kind}}, begun {{when}}',
    undoFollowUp: 'That was a mistake: undo',
  },
};
