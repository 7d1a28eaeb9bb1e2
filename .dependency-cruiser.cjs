/** No circles anywhere, type imports counted; arrows between the folders run one way. */
module.exports = {
  forbidden: [
    { name: 'no-circles', severity: 'error', from: {}, to: { circular: true } },
    {
      name: 'core-stands-alone',
      severity: 'error',
      from: { path: '^core/' },
      to: { path: '^(web|server|cli|e2e)/' },
    },
    {
      name: 'cli-needs-only-core',
      severity: 'error',
      from: { path: '^cli/' },
      to: { path: '^(web|server)/' },
    },
    {
      name: 'server-needs-no-page',
      severity: 'error',
      from: { path: '^server/' },
      to: { path: '^(web|cli)/src' },
    },
    {
      name: 'a-page-knows-no-node',
      severity: 'error',
      from: { path: '^web/src/', pathNot: '\\.test\\.ts$' },
      to: { dependencyTypes: ['core'] },
    },
    {
      name: 'a-kind-knows-no-registry',
      severity: 'error',
      from: { path: '^core/src/drive/(stages|sources|edits)/(?!index)' },
      to: { path: '^core/src/drive/edits/index' },
    },
    {
      name: 'a-stage-knows-no-other',
      severity: 'error',
      from: {
        path: '^core/src/drive/stages/(?!(index|stage|pair|common|provenance|wobble|judged|made)\\.ts$)',
      },
      to: { path: '^core/src/drive/stages/(?!(stage|pair|provenance|wobble|wheel|module)\\.ts$)' },
    },
    {
      name: 'a-concern-knows-no-assembly',
      comment:
        'a folder judges one concern; what puts concerns together asks it, not the other way round. Log and bench compare finished reports.',
      severity: 'error',
      from: {
        path: '^core/src/report/(train|divide|job|arbors|duties|force|errors|make|measure|verdict|find|shelf|pictures)/',
      },
      to: {
        path: '^core/src/report/(report|sections|later-sections|outputs|marks|figure-at|what-if|index)\\.ts$',
      },
    },
    {
      name: 'a-duty-knows-no-other',
      severity: 'error',
      from: { path: '^core/src/report/duties/([^/]+)/' },
      to: {
        path: '^core/src/report/duties/[^/]+/',
        pathNot: '^core/src/report/duties/($1|rates)/',
      },
    },
    {
      name: 'stores-know-no-page',
      severity: 'error',
      from: { path: '^web/src/(stores|records)/' },
      to: { path: '^web/src/(stations|ui)/' },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '(\\.test\\.ts$|/dist/)' },
    tsPreCompilationDeps: true,
    enhancedResolveOptions: {
      extensions: ['.ts', '.vue', '.mjs', '.js'],
      exportsFields: ['exports'],
      conditionNames: ['import'],
    },
  },
};
