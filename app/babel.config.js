const straightImports = require('./bundling/straightImports.cjs');
const withoutSchemas = require('./bundling/withoutSchemas.cjs');

module.exports = (api) => {
  api.cache(true);
  return { presets: ['babel-preset-expo'], plugins: [withoutSchemas, straightImports] };
};
