import { createConfig, lintFromString } from '@redocly/openapi-core';
import { allRoutes, openApiDocument } from '..';

it('the document of the interface has nothing that a linter of such documents calls an error', async () => {
  const found = await lintFromString({
    source: JSON.stringify(openApiDocument(allRoutes)),
    absoluteRef: '/openapi.json',
    config: await createConfig({ extends: ['recommended'] }),
  });
  expect(
    found.filter(({ severity }) => severity === 'error').map(({ ruleId, message }) => [ruleId, message]),
  ).toEqual([]);
});

it('which finds one where there is one', async () => {
  const document = openApiDocument(allRoutes);
  const found = await lintFromString({
    source: JSON.stringify({ ...document, servers: [], paths: { '/api/x/{y}': { get: { responses: {} } } } }),
    absoluteRef: '/openapi.json',
    config: await createConfig({ extends: ['recommended'] }),
  });
  expect(found.some(({ severity }) => severity === 'error')).toBe(true);
});
