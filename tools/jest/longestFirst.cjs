const { default: Sequencer } = require('@jest/test-sequencer');

/**
 * What takes longest alone, by measure: begun last, it would keep one core after the other has nothing left. The app's is
 * among them so that its libraries are transformed once, while the other core has no use for them.
 */
const longest = [
  'app/src/alerts/alerts.test.tsx',
  'server/src/main/rows.test.ts',
  'server/src/main/access.test.ts',
  'server/src/main/steady/spam.test.ts',
  'server/src/main/walk/walk.test.ts',
  'server/src/main/steady/held.test.ts',
  'server/src/sources/imports/imports.test.ts',
  'server/src/sources/sync.test.ts',
  'core/src/outlook/offers/grammar.test.ts',
  'server/src/alerts/alerts.test.ts',
  'server/src/sources/manners.test.ts',
];

module.exports = class extends Sequencer {
  sort(tests) {
    const place = ({ path }) => {
      const found = longest.findIndex((name) => path.endsWith(name));
      return found < 0 ? longest.length : found;
    };
    return super.sort(tests).sort((a, b) => place(a) - place(b));
  }
};
