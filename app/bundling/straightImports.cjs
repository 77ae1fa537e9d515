const { dirname, relative } = require('node:path');
const { finder } = require('./exportsOf.cjs');

/** Lets every import of a single name ask the file in which it is made, whatever index it was taken from. */
module.exports = ({ types: t, parseSync }) => {
  const parse = (text, filename) =>
    parseSync(text, {
      filename,
      babelrc: false,
      configFile: false,
      parserOpts: { plugins: filename.endsWith('.js') ? ['jsx'] : ['typescript', 'jsx'] },
    });
  const find = finder(parse);
  const pathTo = (file, from) => {
    const path = relative(dirname(from), file);
    return t.stringLiteral(path.startsWith('.') ? path : `./${path}`);
  };

  /** A statement of its own for a name that is made elsewhere; null where it stays as it is. */
  const straight = {
    ImportSpecifier(one, source, from) {
      const made = one.importKind === 'type' ? null : find(source, from, one.imported.name);
      if (!made) return null;
      const local = t.identifier(one.local.name);
      const specifier =
        made.name === 'default'
          ? t.importDefaultSpecifier(local)
          : t.importSpecifier(local, t.identifier(made.name));
      return t.importDeclaration([specifier], pathTo(made.file, from));
    },
    ExportSpecifier(one, source, from) {
      const made = one.exportKind === 'type' ? null : find(source, from, one.local.name);
      if (!made) return null;
      const specifier = t.exportSpecifier(t.identifier(made.name), t.identifier(one.exported.name));
      return t.exportNamedDeclaration(null, [specifier], pathTo(made.file, from));
    },
  };

  return {
    name: 'straight-imports',
    visitor: {
      Program(program, { filename }) {
        for (const path of program.get('body')) {
          const { node } = path;
          if (!node.source || !node.specifiers || (node.importKind ?? node.exportKind) === 'type') continue;
          const made = new Map(
            node.specifiers.map((one) => [one, straight[one.type]?.(one, node.source.value, filename)]),
          );
          const gone = [...made.values()].filter(Boolean);
          if (gone.length === 0) continue;
          node.specifiers = node.specifiers.filter((one) => !made.get(one));
          path.replaceWithMultiple(node.specifiers.length > 0 ? [...gone, node] : gone);
        }
      },
    },
  };
};
