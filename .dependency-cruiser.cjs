/** The layers, as rules: who may import whom. Read docs/ARCHITECTURE.md for the why. */
const only = (layer, allowed, extra = {}) => ({
  name: `${layer}-imports`,
  comment: `${layer} may import only: ${[layer, ...allowed].join(', ')}`,
  severity: 'error',
  from: { path: `^src/${layer}/`, ...extra },
  to: {
    path: '^(src|simulator|migrations|scripts|tests)/',
    pathNot: [`^src/${layer}/`, ...allowed.map((other) => `^(src/)?${other}/`)],
  },
});

module.exports = {
  forbidden: [
    only('core', []),
    only('providers', ['core']),
    only('ui', ['core'], { pathNot: '^src/ui/primitives/api\\.ts$|\\.test\\.tsx$' }),
    /* What pages send and get has the types of the operations: their types alone come over. */
    {
      ...only('ui', ['core', 'app/_http/operations'], { path: '^src/ui/primitives/api\\.ts$' }),
      name: 'ui-client-imports',
    },
    {
      name: 'ui-client-types-alone',
      severity: 'error',
      from: { path: '^src/ui/primitives/api\\.ts$' },
      to: { path: '^src/app/', dependencyTypesNot: ['type-only'] },
    },
    only('server', ['core', 'migrations'], { pathNot: '\\.test\\.ts$' }),
    only('web', []),
    only('worker', ['server', 'providers', 'core'], { pathNot: '\\.test\\.ts$' }),
    only('app', ['ui', 'server', 'core'], { pathNot: '^src/app/api/hooks/' }),
    { ...only('app', ['ui', 'server', 'core', 'providers'], { path: '^src/app/api/hooks/' }), name: 'app-hooks-imports' },
    {
      name: 'simulator-stands-alone',
      severity: 'error',
      from: { path: '^simulator/' },
      to: { path: '^(src|migrations|scripts|tests)/' },
    },
    {
      name: 'controls-by-the-kit',
      comment: 'pages are made of the parts of the kit; what those are made of stays in it',
      severity: 'error',
      from: { path: '^src/ui/', pathNot: '^src/ui/(kit|theme)/' },
      to: { path: '^node_modules/(@mui|@emotion|@dnd-kit|notistack)/' },
    },
    {
      name: 'nothing-imports-app',
      severity: 'error',
      from: { pathNot: '^(src/app/|tests/|src/ui/primitives/api\\.ts$)' },
      to: { path: '^src/app/' },
    },
    {
      name: 'core-is-pure',
      comment: 'core computes: no React, Next, Sequelize, PostgreSQL, Node I/O',
      severity: 'error',
      from: { path: '^src/core/', pathNot: '\\.test\\.ts$' },
      to: {
        path: '^(node_modules/(react|next|sequelize|pg|graphile-worker|nodemailer|pino)(/|$)|node:|fs$|net$|http$|crypto$|path$)',
      },
    },
    {
      name: 'features-by-their-index',
      comment:
        'another feature of the same or a lower layer is entered by its index.ts, for checked input by its schemas.ts, to set a password by passwords.ts (its lists are for no page)',
      severity: 'error',
      from: { path: '^src/([^/]+)/([^/]+)', pathNot: '\\.test\\.tsx?$' },
      to: {
        path: '^src/(core|server|ui)/([^/]+)/.+',
        pathNot: [
          '^src/$1/$2/',
          '/index\\.tsx?$',
          '/schemas\\.ts$',
          '^src/core/accounts/passwords\\.ts$',
          '\\.css$',
          '^src/ui/primitives/',
        ],
      },
    },
    {
      name: 'retired-file-names',
      comment: 'no file is named by a participle or by a word that was retired; docs/GLOSSARY.md has what it is called now',
      severity: 'error',
      from: {},
      to: {
        path: '/(taken|said|standing|around|axes|house|town|gather|gathered|newcomers|lessons|talks|grounds|notice|notices|passing|moving|kept|keep|made|seen|called|measured|recognized|attached|forwarded|returned|bounded|faults)[.]',
        pathNot: '^node_modules/',
      },
    },
    { name: 'no-cycles', severity: 'error', from: {}, to: { circular: true } },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
    enhancedResolveOptions: { exportsFields: ['exports'], conditionNames: ['import', 'require', 'node', 'default'] },
  },
};
