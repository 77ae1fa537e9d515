import { benchAlerts } from './alerts';
import { benchApp } from './app';
import { benchBundle } from './bundle';
import { benchCalendar } from './calendar';
import { benchCore, benchReader } from './core';
import { benchGrowth } from './growth';
import { benchLive } from './live';
import { benchReading } from './reading';
import { benchRows } from './rows';
import { benchDay } from './day';
import { benchWork } from './work';

const benches: Readonly<Record<string, () => void | Promise<void>>> = {
  alerts: benchAlerts,
  app: benchApp,
  bundle: benchBundle,
  calendar: benchCalendar,
  core: benchCore,
  day: benchDay,
  growth: benchGrowth,
  live: benchLive,
  reader: benchReader,
  reading: benchReading,
  rows: benchRows,
  work: benchWork,
};

async function main(): Promise<void> {
  const asked = process.argv.slice(2);
  for (const name of asked.length > 0 ? asked : Object.keys(benches)) {
    const bench = benches[name];
    if (!bench) throw new Error(`no bench '${name}': ${Object.keys(benches).join(', ')}`);
    await bench();
  }
}

main().catch((error: unknown) => {
  console.error(error instanceof Error ? error.message : error);
  // What it left listening would keep it.
  process.exit(1);
});
