/** No file stands in a circle of imports with others, types included, in any layer. */
module.exports = {
  forbidden: [
    {
      name: 'no-circle',
      severity: 'error',
      comment: 'These files import each other in a circle: move what they share into a file of its own.',
      from: {},
      to: { circular: true },
    },
  ],
  options: {
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.base.json' },
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '\\.test\\.tsx?$' },
    enhancedResolveOptions: {
      extensions: ['.ts', '.tsx', '.js', '.mjs'],
      conditionNames: ['import', 'types', 'default'],
    },
  },
};
