/**
 * Arrows run one way. Inside core: measure ← paper ← pattern ← folding ← assembly ← bodies ← purpose ← rooms ← forms ← fit ← (shelf, marks, slips, batch, faces, record) ← drawing.
 * @type {import('dependency-cruiser').IConfiguration}
 */
const core = [
  'measure',
  'paper',
  'pattern',
  'folding',
  'assembly',
  'bodies',
  'purpose',
  'rooms',
  'forms',
  'fit',
  '(shelf|marks|slips|batch|faces|trials|runs|record)',
  '(drawing|exchange)',
];

module.exports = {
  forbidden: [
    {
      name: 'no-circular',
      severity: 'error',
      from: {},
      to: { circular: true, viaOnly: { dependencyTypesNot: ['type-only'] } },
    },
    {
      name: 'core-knows-none-of-ours',
      severity: 'error',
      from: { path: '^core/src' },
      to: { path: '^(contract|server|web|demo|e2e|bench)/' },
    },
    {
      name: 'core-is-pure',
      comment: 'no Node APIs',
      severity: 'error',
      from: { path: '^core/src' },
      to: { dependencyTypes: ['core'] },
    },
    {
      name: 'core-has-no-screen-or-server',
      severity: 'error',
      from: { path: '^core/src' },
      to: { path: 'node_modules/(@angular|hono|better-sqlite3|three|rxjs)/' },
    },
    ...core.map((folder, k) => ({
      name: `core-${folder.replace(/\W/g, '-')}-looks-back-only`,
      severity: 'error',
      from: { path: `^core/src/${folder}/` },
      to: { path: `^core/src/(${core.slice(k + 1).join('|') || '$^'})/` },
    })),
    {
      name: 'contract-uses-core-only',
      severity: 'error',
      from: { path: '^contract/src' },
      to: { path: '^(server|web|demo)/' },
    },
    { name: 'demo-not-server-or-web', severity: 'error', from: { path: '^demo/src' }, to: { path: '^(server|web)/' } },
    { name: 'web-not-server', severity: 'error', from: { path: '^web/src' }, to: { path: '^(server|demo)/' } },
    { name: 'server-not-web', severity: 'error', from: { path: '^server/src' }, to: { path: '^web/' } },
    { name: 'not-to-unresolvable', severity: 'error', from: {}, to: { couldNotResolve: true } },
    {
      name: 'no-dev-packages-in-src',
      severity: 'error',
      from: { path: '^(core|contract|server|web|demo)/src', pathNot: '\\.spec\\.ts$|test-setup' },
      to: { dependencyTypes: ['npm-dev'], dependencyTypesNot: ['type-only'] },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '(^|/)(dist|out|\\.angular)/' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.base.json' },
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'require', 'node', 'default', 'types'],
      extensions: ['.ts', '.mjs', '.js', '.cjs', '.json', '.d.ts'],
    },
  },
};
