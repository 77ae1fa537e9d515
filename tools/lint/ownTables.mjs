import { floors, tables, views } from './rooms.mjs';

const ownerOf = new Map(Object.entries(tables).flatMap(([room, names]) => names.map((name) => [name, room])));
const publisherOf = new Map(
  Object.entries(views).flatMap(([room, names]) => names.map((name) => [name, room])),
);

/** Where SQL names a table: behind these words, or first in a query of the builder. */
const inSql = /\b(?:from|join|into|update|table|truncate)\s+(?:only\s+)?([a-z_]+)\b/gi;
const builders = new Set(['from', 'into', 'join', 'leftJoin', 'innerJoin', 'rightJoin', 'joinRaw', 'table']);
const connections = /^(db|trx|knex)$/;
const firstWord = /^([a-z_]+)(?:\s+as\s+\w+)?$/;

/** `/server/src/<room>/…/<file>`, or null for what stands in no room. */
function placeOf(filename) {
  const [, path] = /server\/src\/(.+)$/.exec(filename.replaceAll('\\', '/')) ?? [];
  const [room, ...rest] = path?.split('/') ?? [];
  return room && rest.length > 0 ? { room, file: rest.at(-1) } : null;
}

const isStore = ({ room, file }) =>
  room === 'kit' || /^store\.ts$|Store\.ts$/.test(file) || file === 'tables.ts';

/** Whether a call is the query builder's: `db('x')`, `trx<Row>('x')`, `.join('x as y', …)`. */
function isBuilder({ callee }) {
  if (callee.type === 'Identifier') return connections.test(callee.name);
  return callee.type === 'MemberExpression' && callee.property.type === 'Identifier'
    ? builders.has(callee.property.name) || connections.test(callee.property.name)
    : false;
}

/** A table's name occurs in SQL of its owner's stores alone; what it publishes may be read by the rooms after it. */
export const ownTables = {
  meta: {
    type: 'problem',
    schema: [],
    messages: {
      table:
        'The table {{name}} belongs to {{owner}}: ask a function of its index, or join a view that it publishes (tools/lint/rooms.mjs lists them).',
      store: 'SQL stands in store.ts or a …Store.ts of its room: move the query that names {{name}} there.',
      below:
        'The view {{name}} is published by {{owner}}, which stands after {{room}}: have it handed in from main.',
    },
  },
  create(context) {
    const place = placeOf(context.filename);
    if (!place) return {};
    const named = (node, name) => {
      const owner = ownerOf.get(name);
      const publisher = publisherOf.get(name);
      if (owner && owner !== place.room) {
        context.report({ node, messageId: 'table', data: { name, owner } });
      } else if (owner && !isStore(place)) {
        context.report({ node, messageId: 'store', data: { name } });
      } else if (publisher && floors.server.indexOf(publisher) > floors.server.indexOf(place.room)) {
        context.report({ node, messageId: 'below', data: { name, owner: publisher, room: place.room } });
      }
    };
    const sql = (node, text) => {
      for (const [, name] of text.matchAll(inSql)) if (name) named(node, name.toLowerCase());
    };
    return {
      Literal(node) {
        if (typeof node.value === 'string') sql(node, node.value);
      },
      TemplateElement(node) {
        sql(node, node.value.raw);
      },
      CallExpression(node) {
        const [first] = node.arguments;
        if (first?.type !== 'Literal' || typeof first.value !== 'string' || !isBuilder(node)) return;
        const [, name] = firstWord.exec(first.value) ?? [];
        if (name) named(first, name);
      },
    };
  },
};
