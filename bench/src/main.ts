import { benchCore } from './core';

const benches: Readonly<Record<string, () => void>> = { core: benchCore };

const asked = process.argv.slice(2);
const names = asked.length > 0 ? asked : Object.keys(benches);
for (const name of names) {
  const bench = benches[name];
  if (!bench) {
    console.error(`no bench '${name}': ${Object.keys(benches).join(', ')}`);
    process.exit(1);
  }
  bench();
}
