import { doors, floors, layers, mayKnow } from './rooms.mjs';

/** What a layer may not import, in words. */
const layerPatterns = (layer) => [
  {
    regex: `^@cadro/(${layers.filter((other) => !mayKnow[layer].includes(other)).join('|')})(/|$)`,
    message: `${layer} may know ${mayKnow[layer].join(' and ') || 'nobody'} only.`,
  },
  {
    regex: '^date-fns$',
    message:
      'Take each function from its own file (date-fns/addDays): the whole of it is three hundred files.',
  },
  { regex: `^(\\.\\./)+(${layers.join('|')})/src/`, message: 'A layer is imported by its name.' },
  ...(layer === 'core' || layer === 'contract'
    ? [{ regex: '^(react|react-native|express|knex|pg)(/|$)', message: 'No interface and no I/O here.' }]
    : []),
];

/** A room's inside is its own: others come in by its doors. */
const doorPattern = (layer) => ({
  regex: `^(\\.\\./)+(${floors[layer].join('|')})/(?!(${doors[layer].join('|')})$).+`,
  message: `A room is entered through its ${doors[layer].join(' or ')}: export there what is needed.`,
});

const rule = (files, patterns) => ({
  files,
  ignores: ['**/*.test.ts', '**/*.test.tsx'],
  rules: { 'no-restricted-imports': ['error', { patterns }] },
});

/** One rule a layer, and one for each of its rooms that forbids every later one. */
export const floorRules = layers.flatMap((layer) => {
  const rooms = floors[layer] ?? [];
  const own = [...layerPatterns(layer), ...(rooms.length > 0 ? [doorPattern(layer)] : [])];
  return [
    rule([`${layer}/**/*.{ts,tsx}`], layerPatterns(layer)),
    ...rooms.map((room, index) => {
      const later = rooms.slice(index + 1);
      const upward = {
        regex: `^(\\.\\./)+(${later.join('|')})(/|$)`,
        message: `${room} stands before ${later.join(', ')} and may not use them: move what both need to an earlier room, or have it handed in.`,
      };
      return rule([`${layer}/src/${room}/**/*.{ts,tsx}`], later.length > 0 ? [upward, ...own] : own);
    }),
  ];
});
