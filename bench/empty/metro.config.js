const { getDefaultConfig } = require('expo/metro-config');
const { withoutIcons } = require('../../app/bundling/withoutIcons.cjs');

module.exports = withoutIcons(getDefaultConfig(__dirname));
