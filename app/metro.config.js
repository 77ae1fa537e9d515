const { getDefaultConfig } = require('expo/metro-config');

const config = getDefaultConfig(__dirname);

/** The interface library's index names every icon family; the drawings here are our own, so none is packed. */
const iconFamilies = /^(react-native-vector-icons|@expo\/vector-icons|@react-native-vector-icons)(\/|$)/;
const resolveNormally = config.resolver.resolveRequest;
config.resolver.resolveRequest = (context, name, platform) => {
  if (iconFamilies.test(name)) return { type: 'empty' };
  return (resolveNormally ?? context.resolveRequest)(context, name, platform);
};

module.exports = config;
