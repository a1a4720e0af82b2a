// What the browser fetches before any place: a file is fetched whole with all that its imports name.
const FIRST_LOAD =
  '^app/(main|shell/(root|routes|app\\.config|fault-handler)|data/(store|words)/[^/]+)\\.ts$';

/** The arrow rule: e2e → server, app → core, and never back; inside the app, places stand apart. */
module.exports = {
  forbidden: [
    {
      name: 'no-circular',
      severity: 'error',
      from: {},
      to: { circular: true, dependencyTypesNot: ['type-only'] },
    },
    {
      name: 'core-stands-alone',
      severity: 'error',
      from: { path: '^core/', pathNot: '\\.spec\\.ts$' },
      to: { path: '^(app|server|e2e|tools)/' },
    },
    {
      name: 'core-knows-no-node',
      severity: 'error',
      from: { path: '^core/', pathNot: '\\.spec\\.ts$' },
      to: { dependencyTypes: ['core'] },
    },
    {
      name: 'core-packages',
      severity: 'error',
      from: { path: '^core/', pathNot: '(\\.spec\\.ts$|^core/testing/)' },
      to: {
        dependencyTypes: ['npm', 'npm-dev', 'npm-peer'],
        pathNot:
          'node_modules/(zod|canonicalize|crc-32|d3-hierarchy|fast-xml-builder|fflate|minisearch|papaparse|parse-ingredient|simple-statistics|ts-ics|uuid)/',
      },
    },
    {
      name: 'core-has-one-door',
      severity: 'error',
      from: { path: '^(app|server|e2e)/', pathNot: FIRST_LOAD },
      to: { path: '^core/', pathNot: '^core/index\\.ts$' },
    },
    {
      name: 'testing-stays-in-tests',
      severity: 'error',
      from: { path: '^(core|app|server)/', pathNot: '(\\.spec\\.ts$|^(core|app)/testing/)' },
      to: { path: '^(core|app)/testing/' },
    },
    {
      name: 'places-stand-apart',
      severity: 'error',
      from: { path: '^app/places/([^/]+)/' },
      to: { path: '^app/places/([^/]+)/', pathNot: '^app/places/$1/' },
    },
    {
      name: 'pieces-know-no-place',
      severity: 'error',
      from: { path: '^app/(pieces|data|workers)/' },
      to: { path: '^app/places/' },
    },
    {
      name: 'data-knows-no-looks',
      severity: 'error',
      from: { path: '^app/(data|workers)/', pathNot: '\\.spec\\.ts$' },
      to: { path: '^app/(pieces|shell)/' },
    },
    {
      name: 'dexie-in-the-store',
      severity: 'error',
      from: { path: '^app/', pathNot: '^app/data/(store|journal)/' },
      to: { path: 'node_modules/dexie/' },
    },
    {
      // The database itself is the journal's: it alone writes. The archive's worker runs the journal's own functions.
      name: 'only-the-journal-writes',
      severity: 'error',
      from: {
        path: '^app/',
        pathNot:
          '(^app/data/(store|journal)/|^app/testing/|\\.spec\\.ts$|^app/workers/archive\\.worker\\.ts$)',
      },
      to: {
        path: '^app/data/(store/(database|house-db)|journal/(writer|bring-in|take-out|settle|move-logs))\\.ts$',
        dependencyTypesNot: ['type-only'],
      },
    },
    {
      // One door for all would bring all of core into the first load: a file is loaded with whatever its imports name.
      name: 'first-load-takes-single-files',
      severity: 'error',
      from: { path: FIRST_LOAD, pathNot: '\\.spec\\.ts$' },
      to: { path: '^core/(index|[^/]+/index)\\.ts$', dependencyTypesNot: ['type-only'] },
    },
    {
      name: 'server-serves',
      severity: 'error',
      from: { path: '^server/' },
      to: { path: '^(app|e2e)/' },
    },
    {
      name: 'e2e-drives-from-outside',
      severity: 'error',
      from: { path: '^e2e/' },
      to: { path: '^(app|server)/' },
    },
    { name: 'nothing-unresolved', severity: 'error', from: {}, to: { couldNotResolve: true } },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.app.json' },
    enhancedResolveOptions: { exportsFields: ['exports'], conditionNames: ['import', 'default', 'types'] },
  },
};
