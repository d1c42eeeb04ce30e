/** Floors of the web app, from the top; arrows point down only. */
const floors = [
  { name: 'app', path: 'app/' },
  { name: 'features', path: 'features/' },
  { name: 'drawing-and-parts', path: '(drawing|parts)/' },
  { name: 'store', path: 'store/' },
  { name: 'worker', path: 'worker/' },
]

/** Arrows point down only: web, cli, server, demo -> core; the core imports no data and no app. */
export default {
  forbidden: [
    {
      name: 'example-only-as-a-plan',
      comment: 'the shipped app takes the example plan; its log is generated at the build and fetched',
      severity: 'error',
      from: { path: '^apps/web/src' },
      to: { path: '^demo', pathNot: '^demo/demo\\.reachplot\\.json' },
    },
    { name: 'no-cycles', severity: 'error', from: {}, to: { circular: true } },
    {
      name: 'core-is-alone',
      severity: 'error',
      from: { path: '^packages/core/src' },
      to: { path: '^(apps|data|demo|packages/(cli|print|ipp))' },
    },
    {
      name: 'core-has-no-machine',
      severity: 'error',
      from: { path: '^packages/core/src' },
      to: { dependencyTypes: ['core'] },
    },
    {
      name: 'no-app-from-below',
      severity: 'error',
      from: { path: '^(packages|data)' },
      to: { path: '^apps' },
    },
    {
      name: 'server-knows-no-web',
      severity: 'error',
      from: { path: '^apps/server/src' },
      to: { path: '^apps/web' },
    },
    {
      name: 'web-knows-no-server',
      severity: 'error',
      from: { path: '^apps/web/src' },
      to: { path: '^(apps/server|packages/cli)' },
    },
    ...floors.flatMap((floor, i) =>
      i === 0
        ? []
        : [
            {
              name: `web-${floor.name}-knows-no-floor-above`,
              severity: 'error',
              from: { path: `^apps/web/src/${floor.path}` },
              to: {
                path: `^apps/web/src/(${floors
                  .slice(0, i)
                  .map((f) => f.path)
                  .join('|')})`,
              },
            },
          ],
    ),
    {
      name: 'features-know-no-other',
      comment: 'a feature reaches into no other; what two of them share is a part',
      severity: 'error',
      from: { path: '^apps/web/src/features/([^/]+)/' },
      to: { path: '^apps/web/src/features/', pathNot: '^apps/web/src/features/$1/' },
    },
    {
      name: 'doors-only',
      comment: 'a folder of the core is entered by its index',
      severity: 'error',
      from: { path: '^packages/core/src/([^/]+)/' },
      to: { path: '^packages/core/src/([^/]+)/(?!index)', pathNot: '^packages/core/src/$1/' },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '(^|/)(dist|node_modules)/' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.base.json' },
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import'],
      extensions: ['.ts', '.tsx', '.js', '.json'],
    },
  },
}
