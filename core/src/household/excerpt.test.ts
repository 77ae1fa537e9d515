import { excerptOf } from './excerpt';

const long = `${'The tide tables are on the wall. '.repeat(8)}Bring the Málaga maps on Friday. ${'Then we sail. '.repeat(12)}`;

it.each([
  ['a short text is whole', 'Bring  the\nmaps', ['maps'], 'Bring the maps'],
  ['a word late in it', long, ['malaga'], /^… .*Málaga maps on Friday.* …$/],
  ['a word that does not stand there', long, ['nowhere'], /^The tide tables.* …$/],
  ['the first of several', long, ['sail', 'tide'], /^The tide tables/],
])('%s', (_name, text, words, shown) => {
  const excerpt = excerptOf(text, words);
  expect(excerpt).toEqual(typeof shown === 'string' ? shown : expect.stringMatching(shown));
  expect(excerpt.length).toBeLessThanOrEqual(126);
});
