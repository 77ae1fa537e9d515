/** The interface library's index names every icon family; none is packed: the drawings are our own. */
const iconFamilies = /^(react-native-vector-icons|@expo\/vector-icons|@react-native-vector-icons)(\/|$)/;

/** @param config Metro's. @returns it, with every icon family left out. */
const withoutIcons = (config) => {
  const resolveNormally = config.resolver.resolveRequest;
  config.resolver.resolveRequest = (context, name, platform) =>
    iconFamilies.test(name)
      ? { type: 'empty' }
      : (resolveNormally ?? context.resolveRequest)(context, name, platform);
  return config;
};

module.exports = { withoutIcons };
