import { execFileSync } from 'node:child_process';
import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { dirname, join, normalize } from 'node:path';
import { table } from '../../e2e/table.mjs';
import { root } from '../lib/steps.mjs';

const git = (...args) =>
  execFileSync('git', args, { cwd: root, encoding: 'utf8' }).split('\n').filter(Boolean);

const sources = 'app/src';
const routesFolder = `${sources}/app`;
/** The folder whose files each load a part of the app: a route names them as `inPlan`. */
const placesFolder = `${sources}/places`;

/** Every route of the app by its file's path in app/src/app, as `(in)/brief/index`. */
export const routes = () =>
  readdirSync(join(root, routesFolder), { recursive: true })
    .filter((file) => file.endsWith('.tsx'))
    .map((file) => file.replace(/\.tsx$/, ''))
    .sort();

/** The browser test files whose row names a route, or the folder that it lies in. */
export const specsOf = (route) =>
  Object.entries(table)
    .filter(([, { screens }]) => screens.some((screen) => `${route}/`.startsWith(screen && `${screen}/`)))
    .map(([file]) => `e2e/src/${file}`);

/** The folder of app/src that a file lies in. */
const moduleOf = (file) => file.split('/')[2];

/** For each module of the app, the modules that use it, directly or through others. */
function usersOfModules() {
  const uses = new Map();
  for (const file of git('ls-files', `${sources}/**/*.ts`, `${sources}/**/*.tsx`)) {
    if (file.startsWith(routesFolder) || file.startsWith(placesFolder) || !existsSync(join(root, file)))
      continue;
    const used = uses.get(moduleOf(file)) ?? new Set();
    for (const path of relativeImports(file)) used.add(moduleOf(path));
    uses.set(moduleOf(file), used);
  }
  const usersOf = (module, found = new Set([module])) => {
    for (const [user, used] of uses) if (used.has(module) && !found.has(user)) usersOf(user, found.add(user));
    return found;
  };
  return usersOf;
}

/** What a file imports of the app, by paths from the project's folder. */
const relativeImports = (file) =>
  [...readFileSync(join(root, file), 'utf8').matchAll(/(?:from |import\()'(\.[^']+)'/g)]
    .map(([, path]) => normalize(join(dirname(file), path)))
    .filter((path) => path.startsWith(`${sources}/`));

/** Every screen that the places offer to routes, by its name, with the modules that it comes from. */
function modulesOfScreens() {
  const screens = new Map();
  for (const name of readdirSync(join(root, placesFolder))) {
    const file = `${placesFolder}/${name}`;
    const text = readFileSync(join(root, file), 'utf8');
    for (const [, screen] of text.matchAll(/^export (?:const|function) (\w+)/gm))
      screens.set(screen, relativeImports(file).map(moduleOf));
    for (const [, names, path] of text.matchAll(/^export \{([^}]+)\} from '(\.[^']+)'/gm))
      for (const screen of names.split(',').map((each) => each.trim().split(' as ').at(-1)))
        screens.set(screen, [moduleOf(normalize(join(placesFolder, path)))]);
  }
  return screens;
}

/** The modules that each route loads: those of the screens that it names, and its own imports. */
function modulesOfRoutes() {
  const ofScreens = modulesOfScreens();
  return new Map(
    routes().map((route) => {
      const file = `${routesFolder}/${route}.tsx`;
      const screens = [...readFileSync(join(root, file), 'utf8').matchAll(/\w+\.([A-Z]\w+)\)/g)];
      const placed = screens.flatMap(([, screen]) => ofScreens.get(screen) ?? []);
      return [route, new Set([...relativeImports(file).map(moduleOf), ...placed])];
    }),
  );
}

/** A change of anything else is not seen in a browser. */
const seenInBrowser =
  /^(app|core|contract|server|school|e2e|tools\/lib)\/(?!.*(\.test\.tsx?|\.md)$)(?!.*\/testing\/)/;

/**
 * The browser test files that changes can reach: those that walk through a route which loads a module that was changed, or
 * that uses it. A module of core, the contract and the server bears the name of the app's; a change of what belongs to no
 * module of the app reaches every file.
 * @param {readonly string[]} changed paths from the project's folder.
 */
export function specsReachedBy(changed) {
  const all = Object.keys(table).map((file) => `e2e/src/${file}`);
  const reached = new Set(changed.filter((file) => all.includes(file)));
  const modulesOf = modulesOfRoutes();
  const usersOf = usersOfModules();
  const known = new Set([...modulesOf.values()].flatMap((modules) => [...modules]));
  for (const file of changed.filter((each) => seenInBrowser.test(each) && !each.endsWith('.spec.ts'))) {
    const route =
      file.startsWith(`${routesFolder}/`) && file.slice(routesFolder.length + 1).replace(/\.tsx$/, '');
    const module = /^\w+\/src\/([\w-]+)\//.exec(file)?.[1];
    const users = usersOf(module);
    const touched = route
      ? [route]
      : [...modulesOf]
          .filter(([, loaded]) => [...loaded].some((each) => users.has(each)))
          .map(([each]) => each);
    const specs = route || known.has(module) ? touched.flatMap(specsOf) : all;
    for (const spec of specs) reached.add(spec);
  }
  return [...reached].sort();
}

/**
 * The tests that a run of `npm test -- --changed` looks at: those that reach what differs from the last commit on main.
 * @returns {{ related: string[]; specs: string[] }} sources for Jest's `--findRelatedTests`, and browser test files.
 */
export function changedTests() {
  const changed = [
    ...git('diff', '--name-only', 'main'),
    ...git('ls-files', '--others', '--exclude-standard'),
  ];
  const related = changed.filter(
    (file) =>
      /^(app|core|contract|server|school|tools)\/.*\.(tsx?|[mc]?js)$/.test(file) &&
      existsSync(join(root, file)),
  );
  return { related, specs: specsReachedBy(changed) };
}
