const { existsSync, readFileSync, statSync } = require('node:fs');
const { dirname, join } = require('node:path');

/*
 * Where each name that an index offers is really made. Whoever takes one screen from a room would have the whole room with
 * it otherwise: the bundler packs modules, not names.
 */

/** Whose names are followed: our own, and those of packages that are one index over many files. */
const packages = /^@(rneui\/(base|themed)|cadro\/(core|contract))(\/|$)/;
const within = /[\\/](app|core|contract)[\\/]src[\\/]|[\\/]@rneui[\\/]/;
const endings = ['', '.ts', '.tsx', '.js', '/index.ts', '/index.tsx', '/index.js'];

function fileAt(path) {
  for (const ending of endings) {
    const file = path + ending;
    if (existsSync(file) && statSync(file).isFile()) return file;
  }
  return null;
}

/** The router's index brings every kind of navigation along, and is no module whose names could be followed. */
const router = {
  Link: 'link/Link',
  Slot: 'views/Navigator',
  useGlobalSearchParams: 'hooks',
  useLocalSearchParams: 'hooks',
  usePathname: 'hooks',
  useRouter: 'hooks',
};

/** The file that an import names, where its names are followed. */
function fileOf(name, from) {
  if (name.startsWith('.')) return within.test(from) ? fileAt(join(dirname(from), name)) : null;
  return packages.test(name) ? require.resolve(name, { paths: [dirname(from)] }) : null;
}

const named = (node) => node.name ?? node.value;

/** The names that a declaration makes: one, or what it takes out of an object. */
const bound = (id) =>
  id.type === 'ObjectPattern' ? id.properties.map(({ value }) => value.name) : [id.name];

/** @returns what a file exports: of each name the file and the name there, and the files of which it passes all on. */
function readExports(file, parse) {
  const passed = new Map();
  const all = [];
  const imported = new Map();
  const own = new Set();
  for (const each of parse(readFileSync(file, 'utf8'), file).program.body) {
    if (each.type === 'ImportDeclaration')
      for (const one of each.specifiers)
        if (one.type !== 'ImportNamespaceSpecifier')
          imported.set(one.local.name, {
            from: each.source.value,
            name: one.type === 'ImportDefaultSpecifier' ? 'default' : named(one.imported),
          });
    if (each.type === 'ExportAllDeclaration') all.push(each.source.value);
    if (each.type === 'ExportDefaultDeclaration') own.add('default');
    if (each.type !== 'ExportNamedDeclaration') continue;
    for (const one of each.specifiers) {
      const name = named(one.exported);
      if (one.type !== 'ExportSpecifier') own.add(name);
      else if (each.source) passed.set(name, { from: each.source.value, name: named(one.local) });
      else if (imported.has(one.local.name)) passed.set(name, imported.get(one.local.name));
      else own.add(name);
    }
    const { declaration } = each;
    if (declaration?.id) own.add(declaration.id.name);
    for (const one of declaration?.declarations ?? []) for (const name of bound(one.id)) own.add(name);
  }
  return { passed, all, own };
}

/** @param parse of a module's text and name. @returns where a name of a file is made, or null where nobody can tell. */
const finder = (parse) => {
  const known = new Map();
  const exportsOf = (file) => {
    if (!known.has(file)) known.set(file, readExports(file, parse));
    return known.get(file);
  };
  const find = (file, name) => {
    if (!file) return null;
    const { passed, all, own } = exportsOf(file);
    if (own.has(name)) return { file, name };
    const on = passed.get(name);
    if (on) {
      const next = fileOf(on.from, file);
      // Of a package that is not followed: the file that passes it on will do.
      return next ? find(next, on.name) : { file, name };
    }
    for (const from of all) {
      const found = find(fileOf(from, file), name);
      if (found) return found;
    }
    return null;
  };
  return (source, from, name) =>
    source === 'expo-router' && name in router
      ? { file: require.resolve(`expo-router/build/${router[name]}`, { paths: [dirname(from)] }), name }
      : find(fileOf(source, from), name);
};

module.exports = { fileAt, finder };
