const { createHash } = require('node:crypto');
const { readdirSync, readFileSync } = require('node:fs');
const { join } = require('node:path');
const { getDefaultConfig } = require('expo/metro-config');
const { withoutIcons } = require('./bundling/withoutIcons.cjs');

const config = withoutIcons(getDefaultConfig(__dirname));

/** What a file becomes depends on the indexes that it names, and on how names are followed: kept work ends with either. */
function versionOf(folders) {
  const hash = createHash('sha256');
  for (const folder of folders)
    for (const name of readdirSync(folder, { recursive: true }).sort())
      if (/(^|[\\/])index\.ts$|\.cjs$/.test(name)) hash.update(name).update(readFileSync(join(folder, name)));
  return hash.digest('hex');
}
config.cacheVersion = versionOf(
  ['src', 'bundling', '../core/src', '../contract/src'].map((folder) => join(__dirname, folder)),
);

module.exports = config;
