/** Dependencies between packages and folders; who may import whom inside src is tests/unit/layers.test.ts. */
const PURE = '^src/(engine|features/[^/]+/(calc|words)|platform/(tables|words))/';

module.exports = {
  forbidden: [
    { name: 'no-cycles', severity: 'error', from: {}, to: { circular: true } },
    {
      name: 'not-unresolvable',
      severity: 'error',
      from: {},
      to: { couldNotResolve: true, pathNot: '^server-only$' },
    },
    {
      name: 'no-development-packages',
      comment: 'What ships must not need what only builds or tests.',
      severity: 'error',
      from: { path: '^src', pathNot: '\\.test\\.tsx?$' },
      to: { dependencyTypes: ['npm-dev', 'npm-no-pkg', 'npm-unknown'], pathNot: '@types/' },
    },
    {
      name: 'what-is-pure-knows-nobody',
      severity: 'error',
      from: { path: PURE, pathNot: '\\.test\\.ts$' },
      to: { pathNot: `${PURE}|decimal\\.js|jsep` },
    },
  ],
  options: {
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '\\.test\\.tsx?$' },
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'require', 'node', 'default', 'types'],
    },
  },
};
