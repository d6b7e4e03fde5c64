/** An import only goes down: web and server to contract and core, contract to core, sim beside them. */
const core = '^packages/core/';
module.exports = {
  forbidden: [
    { name: 'core-imports-nothing-above', severity: 'error', from: { path: core }, to: { path: '^(packages/(contract|server|web)|sim)/' } },
    {
      name: 'core-is-pure',
      comment: 'No Node, no network, no clock: only its own files and a few pure packages (tests may use more).',
      severity: 'error',
      from: { path: core, pathNot: '\\.test\\.ts$' },
      to: { dependencyTypes: ['core'] },
    },
    {
      name: 'core-known-packages',
      severity: 'error',
      from: { path: core, pathNot: '\\.test\\.ts$' },
      to: { path: 'node_modules/', pathNot: 'node_modules/(astronomy-engine|d3-delaunay|d3-contour|papaparse|saxes)/' },
    },
    {
      name: 'contract-imports-core-only',
      severity: 'error',
      from: { path: '^packages/contract/' },
      to: { path: '^(packages/(server|web)|sim)/' },
    },
    {
      name: 'server-does-not-import-web-or-sim',
      severity: 'error',
      // Tests may use the stand-ins.
      from: { path: '^packages/server/', pathNot: '\\.test\\.ts$' },
      to: { path: '^(packages/web|sim)/' },
    },
    {
      name: 'web-does-not-import-server-or-sim',
      severity: 'error',
      from: { path: '^packages/web/' },
      to: { path: '^(packages/server|sim)/' },
    },
    { name: 'web-leaves-zod-on-the-server', severity: 'error', from: { path: '^packages/web/' }, to: { path: 'node_modules/zod/' } },
    { name: 'sim-imports-core-and-contract', severity: 'error', from: { path: '^sim/' }, to: { path: '^packages/(server|web)/' } },
    {
      name: 'web-ground-floor',
      comment: 'Parts and data know nothing of what stands on them.',
      severity: 'error',
      from: { path: '^packages/web/src/(ui|data)/' },
      to: { path: '^packages/web/src/', pathNot: '^packages/web/src/(ui|data)/' },
    },
    {
      name: 'web-shared-floor',
      comment: 'Drawings, workers and the offline store know no screen.',
      severity: 'error',
      from: { path: '^packages/web/src/(ribbon|chart|workers|offline)/' },
      to: { path: '^packages/web/src/', pathNot: '^packages/web/src/(ui|data|ribbon|chart|workers|offline)/' },
    },
    {
      name: 'web-top-floor',
      comment: 'The shell and the list of screens are imported by nobody.',
      severity: 'error',
      from: { path: '^packages/web/src/', pathNot: '^packages/web/src/app/' },
      to: { path: '^packages/web/src/app/' },
    },
    { name: 'no-circles', severity: 'error', from: {}, to: { circular: true } },
    { name: 'no-unresolved', severity: 'error', from: {}, to: { couldNotResolve: true, pathNot: '^virtual:' } },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '(^|/)dist/|^virtual:|\\.css$' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'default', 'types'],
      extensions: ['.ts', '.tsx', '.js', '.mjs', '.json'],
    },
  },
};
