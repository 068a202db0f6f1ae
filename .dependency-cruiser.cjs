/** Import circles, in types too: none. The walls between the rooms of the house are held by eslint.config.js. */
module.exports = {
  forbidden: [
    {
      name: 'no-circle',
      comment: 'Two files that import one another are one file, or lack a third that both import.',
      severity: 'error',
      from: {},
      to: { circular: true },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '(^|/)(dist|\\.tsbuild|test-results)/' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.tools.json' },
    enhancedResolveOptions: { exportsFields: ['exports'], conditionNames: ['import', 'types', 'default'] },
  },
};
