const { getDefaultConfig } = require('expo/metro-config');

const config = getDefaultConfig(__dirname);

/** The interface library's index names every icon family; the drawings here are our own, so none is packed. */
const iconFamilies = /^(react-native-vector-icons|@expo\/vector-icons|@react-native-vector-icons)(\/|$)/;
const resolveNormally = config.resolver.resolveRequest;
config.resolver.resolveRequest = (context, name, platform) => {
  if (iconFamilies.test(name)) return { type: 'empty' };
  // Its ES modules name an export `Object`, which hides the global one once they are turned into CommonJS.
  if (name === '@sinclair/typebox') return { type: 'sourceFile', filePath: require.resolve(name) };
  return (resolveNormally ?? context.resolveRequest)(context, name, platform);
};

module.exports = config;
