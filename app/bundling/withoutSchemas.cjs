/** What the app needs to know of a route: how it is called. What is said about it, what its bodies are like: the server. */
const called = ['method', 'path', 'access', 'produces', 'takesBytes'];
/** What of a rule of alerts is the server's: how it finds what it tells. */
const finds = ['find', 'asked'];
const rules = ['childRule', 'guardianRule'];

/**
 * The app asks contract and core for addresses, for words and for lists of them, never for a schema and never for what an
 * alert is found by: what describes routes and bodies and what finds alerts is left out of it, and with it all that only
 * those ask for.
 */
module.exports = ({ types: t }) => {
  const isSchema = ({ callee }) =>
    callee.type === 'MemberExpression' && t.isIdentifier(callee.object, { name: 'Type' });
  const nameOf = ({ key }) => (t.isIdentifier(key) ? key.name : undefined);
  const shortened = ({ properties }, stays) =>
    t.objectExpression(
      properties.filter((property) => t.isSpreadElement(property) || stays(nameOf(property))),
    );
  const shorten = ({ node: { callee, arguments: given } }) => {
    if (!t.isIdentifier(callee) || !t.isObjectExpression(given[0])) return;
    if (callee.name === 'route') given[0] = shortened(given[0], (name) => called.includes(name));
    else if (rules.includes(callee.name)) given[0] = shortened(given[0], (name) => !finds.includes(name));
  };
  /** Takes out what nothing in its module asks for any more: an import, or a function of its own. */
  const sweep = (scope) => {
    scope.crawl();
    let swept = false;
    for (const { kind, referenced, path } of Object.values(scope.bindings)) {
      if (referenced) continue;
      const isOwn = path.isVariableDeclarator() && path.get('init').isFunction();
      if (kind === 'module' && path.parentPath.node.specifiers.length === 1) path.parentPath.remove();
      else if (kind === 'module' || isOwn || path.isFunctionDeclaration()) path.remove();
      else continue;
      swept = true;
    }
    if (swept) sweep(scope);
  };
  return {
    name: 'without-schemas',
    visitor: {
      Program(program, { filename }) {
        if (!/[\\/](contract|core)[\\/]src[\\/]/.test(filename)) return;
        program.traverse({
          CallExpression(path) {
            if (isSchema(path.node)) path.replaceWith(t.objectExpression([]));
            else shorten(path);
          },
        });
        sweep(program.scope);
      },
    },
  };
};
