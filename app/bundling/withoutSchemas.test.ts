import { transformSync } from '@babel/core';

/* What of contract and core the app is made of. */
const inApp = (text: string, filename = '/core/src/rule.ts'): string =>
  transformSync(text, {
    ...{ filename, babelrc: false, configFile: false, retainLines: false },
    plugins: [require.resolve('./withoutSchemas.cjs')],
  })?.code ?? '';

it('knows of a route how it is called, and of its schemas nothing', () => {
  const text = `
    import { Type } from '@sinclair/typebox';
    import { route } from './route';
    const access = 'signed-in';
    export const routes = {
      read: route({ method: 'get', path: '/api/x/:id', room: 'x', access, summary: 'One', query: Type.Object({}), status: 200 }),
    };`;
  const made = inApp(text, '/contract/src/x.ts');
  expect(made).toMatch(/method: 'get'/);
  expect(made).toMatch(/path: '\/api\/x\/:id'/);
  expect(made).toMatch(/access/);
  expect(made).not.toMatch(/typebox|summary|room|query|status/);
});

it('keeps what a route has in common with others', () => {
  const text = `
    const common = { method: 'get', access: 'operator' };
    const at = (path) => ({ path });
    export const routes = { one: route({ ...common, ...at('/one'), summary: 'One' }) };`;
  const made = inApp(text, '/contract/src/x.ts');
  expect(made).toMatch(/\.\.\.common/);
  expect(made).toMatch(/\.\.\.at\('\/one'\)/);
  expect(made).not.toMatch(/summary/);
});

it('has the words of a rule, not what it is found by, nor what only that asks for', () => {
  const made = inApp(`
    import { isLate, told } from '../other';
    import { onlyThere } from './there';
    const helper = (x) => isLate(deeper(x));
    function deeper(x) { return onlyThere(x); }
    const says = (x) => told(x);
    export const rule = childRule({
      name: 'late',
      words: { en: { tell: says } },
      asked: (x) => helper(x),
      find: (facts) => facts.filter(helper),
    });`);
  expect(made).toMatch(/tell: says/);
  expect(made).toMatch(/import \{ told \} from/);
  expect(made).not.toMatch(/helper|deeper|onlyThere|isLate|find|asked/);
});

it('leaves everything else as it is written', () => {
  const text = `export const find = childRule({ find: 1 }, Type.Object({}));`;
  expect(inApp(text, '/app/src/screen.tsx')).toContain('childRule({');
  expect(inApp(text, '/app/src/screen.tsx')).toContain('Type.Object');
});
