import type { SameKeys } from '../catalogue';
import type { begunEn } from '../en/begun';

export const begunEs: SameKeys<typeof begunEn> = {
  begun: {
    title: 'Borradores',
    kept: 'Se guarda mientras escribe.',
    throwAway: 'Descartar',
    thrown: 'Descartado.',
    undo: 'Deshacer',
    kinds: { letter: 'carta', note: 'nota', 'follow-up': 'conversación en casa' },
    saved: '{{kind}}, empezada {{when}}',
    undoFollowUp: 'Fue un error: deshacer',
  },
};
