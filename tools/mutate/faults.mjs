import ts from 'typescript';

const swapped = new Map([
  ...[
    ['<', '<='],
    ['<=', '<'],
    ['>', '>='],
    ['>=', '>'],
    ['===', '!=='],
    ['!==', '==='],
  ],
  ...[
    ['+', '-'],
    ['-', '+'],
    ['*', '/'],
    ['/', '*'],
    ['&&', '||'],
    ['||', '&&'],
  ],
]);
const calls = new Map([
  ...[
    ['some', 'every'],
    ['every', 'some'],
    ['min', 'max'],
    ['max', 'min'],
    ['ceil', 'floor'],
    ['floor', 'ceil'],
  ],
  ...[
    ['slice', 'concat'],
    ['flatMap', 'map'],
    ['findLast', 'find'],
  ],
]);

/** Whether a node is only there for the compiler, or names what is imported. */
const isNoCode = (node) =>
  ts.isTypeNode(node) ||
  ts.isInterfaceDeclaration(node) ||
  ts.isTypeAliasDeclaration(node) ||
  ts.isImportDeclaration(node) ||
  ts.isExportDeclaration(node);

/** Comparisons that differ from each other at the edge alone. */
const edges = new Set(['<', '<=', '>', '>=']);
/** Whether a comparison has a tolerance, so that its very edge means nothing: `a >= b - 1e-9`. */
const hasTolerance = (node, text) => /\b1e-\d+\b/.test(text(node));

function* faultsOf(node, source) {
  const text = (of) => of.getText(source);
  const replace = (of, by, what) => ({ from: of.getStart(source), to: of.getEnd(), by, what });
  if (ts.isBinaryExpression(node)) {
    const by = swapped.get(text(node.operatorToken));
    const joinsText = [node.left, node.right].some(
      (side) => ts.isStringLiteralLike(side) || ts.isTemplateExpression(side),
    );
    if (by && !joinsText && !(edges.has(by) && hasTolerance(node, text)))
      yield replace(node.operatorToken, by, `${text(node.operatorToken)} is ${by}`);
  } else if (ts.isPrefixUnaryExpression(node) && node.operator === ts.SyntaxKind.ExclamationToken) {
    yield replace(node, text(node.operand), 'a ! is left out');
  } else if (ts.isConditionalExpression(node)) {
    yield replace(node.condition, `!(${text(node.condition)})`, 'a condition is turned round');
  } else if (ts.isIfStatement(node)) {
    yield replace(node.expression, 'false', 'an if never holds');
  } else if (ts.isNumericLiteral(node) && !ts.isPropertyAssignment(node.parent?.parent ?? node)) {
    yield replace(node, String(Number(node.text) + 1), `${node.text} is ${Number(node.text) + 1}`);
  } else if (node.kind === ts.SyntaxKind.TrueKeyword || node.kind === ts.SyntaxKind.FalseKeyword) {
    const by = node.kind === ts.SyntaxKind.TrueKeyword ? 'false' : 'true';
    yield replace(node, by, `${text(node)} is ${by}`);
  } else if (
    ts.isPropertyAccessExpression(node) &&
    ts.isCallExpression(node.parent) &&
    node.parent.expression === node
  ) {
    const by = calls.get(node.name.text);
    if (by) yield replace(node.name, by, `${node.name.text} is ${by}`);
  } else if (ts.isStringLiteral(node) && ts.isBinaryExpression(node.parent)) {
    yield replace(node, `'~${node.text.replaceAll("'", '')}'`, `'${node.text}' is another text`);
  }
}

/** Every small fault that could be put into a file, in the order of its text. `line` counts from 1. */
export function faultsIn(path, code) {
  const source = ts.createSourceFile(path, code, ts.ScriptTarget.ES2022, true);
  const found = [];
  const visit = (node) => {
    if (isNoCode(node)) return;
    for (const fault of faultsOf(node, source)) {
      const { line } = source.getLineAndCharacterOfPosition(fault.from);
      found.push({ path, line: line + 1, ...fault });
    }
    ts.forEachChild(node, visit);
  };
  visit(source);
  return found;
}

export const withFault = (code, { from, to, by }) => code.slice(0, from) + by + code.slice(to);
