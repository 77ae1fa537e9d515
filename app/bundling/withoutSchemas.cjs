/**
 * The app asks contract and core for addresses and lists of words, never for a schema: what describes bodies is left out of
 * it, and with it the library that builds it.
 */
module.exports = ({ types: t }) => {
  const schema = (path) => {
    const { callee } = path.node;
    return callee.type === 'MemberExpression' && t.isIdentifier(callee.object, { name: 'Type' });
  };
  return {
    name: 'without-schemas',
    visitor: {
      Program(program, { filename }) {
        if (!/[\\/](contract|core)[\\/]src[\\/]/.test(filename)) return;
        program.traverse({
          CallExpression: (path) => void (schema(path) && path.replaceWith(t.objectExpression([]))),
        });
        // What was asked for in them alone is asked for no longer.
        program.scope.crawl();
        for (const { kind, referenced, path } of Object.values(program.scope.bindings)) {
          if (kind !== 'module' || referenced) continue;
          if (path.parentPath.node.specifiers.length > 1) path.remove();
          else path.parentPath.remove();
        }
      },
    },
  };
};
