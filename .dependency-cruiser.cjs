/** The direction of imports: core ← words ← workers ← features ← app; see docs/architecture.md. */
const forbid = (name, from, to, comment) => ({ name, severity: 'error', comment, from, to });

/** Which feature may know which: each only those that stand before it. */
const ORDER = [
  'accounts',
  'settings',
  'cleaning',
  'programs',
  'logbook',
  'offline',
  'readings',
  'stores',
  'recipes',
  'making',
  'stuffing',
  'batches',
  'ripening',
  'houses',
  'reach',
  'plan',
  'bench',
  'records',
];

const feature = (names) => `^src/features/(${names.join('|')})/`;

/** Which room of the core may know which: each only those of the lines above its own. */
const LAYERS = [
  ['units'],
  ['lethality'],
  ['heat'],
  ['probes', 'hanging', 'cleaning', 'roster'],
  ['recipe', 'cooling'],
  ['route', 'rules'],
  ['forecast'],
  ['fermentation', 'drying'],
  ['formula'],
  ['casing', 'making'],
  ['logbook'],
  ['bench', 'run'],
  ['evidence', 'chill'],
  ['schedule'],
  ['verdict'],
  ['shelf', 'house'],
  ['duty', 'ripening'],
  ['review', 'formats'],
];

const room = (names) => `^src/core/(${names.join('|')})/`;
const NO_TEST = '\\.test\\.ts$|^src/core/testing/';

/** A room of the core knows nothing of those beside it and above it, not even their types. */
const coreOrder = LAYERS.flatMap((layer, i) =>
  layer.map((name) =>
    forbid(
      `core-${name}-knows-none-above-it`,
      { path: room([name]), pathNot: NO_TEST },
      {
        path: room(
          LAYERS.slice(i)
            .flat()
            .filter((other) => other !== name),
        ),
      },
      'a room of the core knows only those below it',
    ),
  ),
);

/** A feature knows nothing of those that stand after it, so that no two go round in a circle. */
const direction = ORDER.slice(0, -1).map((name, i) =>
  forbid(
    `${name}-knows-none-after-it`,
    { path: feature([name]), pathNot: '\\.test\\.tsx?$' },
    { path: feature(ORDER.slice(i + 1)) },
    'features know only those that stand before them in the order',
  ),
);

module.exports = {
  forbidden: [
    forbid(
      'core-is-pure',
      { path: '^src/core', pathNot: '\\.test\\.ts$' },
      { path: '^src/(?!core)|node_modules/(react|next|pg|kysely|zod|better-auth)/' },
      'core knows nothing of React, Next, Node, Zod or the database',
    ),
    forbid(
      'core-no-node',
      { path: '^src/core', pathNot: '\\.test\\.ts$' },
      { dependencyTypes: ['core'] },
      'core uses no module of Node',
    ),
    forbid(
      'features-use-the-contents-page',
      { path: '^src/(app|features|devices|ui|words)', pathNot: '\\.test\\.ts$' },
      { path: '^src/core/(?!index\\.ts$)' },
      'the core is used through its index',
    ),
    forbid(
      'ui-knows-no-feature',
      { path: '^src/ui' },
      { path: '^src/(features|app|platform|devices)' },
      'the design system knows only core types',
    ),
    forbid(
      'words-know-the-core',
      { path: '^src/words', pathNot: '\\.test\\.ts$' },
      { path: '^src/(features|app|platform|devices|ui|workers)' },
      'words are for codes of the core; everybody uses them',
    ),
    forbid(
      'server-code-knows-no-screen',
      {
        path: '^src/(features/[^/]+/[^/]+\\.tsx?$|app/api/|platform/|workers/)',
        pathNot: '\\.test\\.ts$',
      },
      { path: '^src/(ui|features/[^/]+/ui)/', dependencyTypesNot: ['type-only'] },
      'what runs on the server imports nothing of a screen',
    ),
    forbid(
      'platform-below-features',
      { path: '^src/platform' },
      { path: '^src/(features|app|ui|devices)' },
      'platform never imports a feature',
    ),
    forbid(
      'features-below-app',
      { path: '^src/features' },
      { path: '^src/(app|devices)' },
      'a feature does not know its pages',
    ),
    forbid(
      'devices-speak-over-the-network',
      { path: '^src/devices' },
      { path: '^src/(app|platform|ui)|^src/features/[^/]+/(?!contract\\.ts$)' },
      'devices share core and contracts only',
    ),
    forbid(
      'features-have-doors',
      { path: '^src/features/([^/]+)/', pathNot: '\\.test\\.tsx?$' },
      {
        path: '^src/features/[^/]+/',
        pathNot: [
          '^src/features/$1/',
          '^src/features/[^/]+/(contract|service|policy|words)\\.ts$',
          '^src/features/accounts/identify\\.ts$',
          '^src/features/[^/]+/ui/index\\.ts$',
        ],
      },
      'a feature is used through its contract, service, policy or words; its screens through ui/index',
    ),
    forbid(
      'pages-ask-services',
      { path: '^src/(app/|instrumentation)' },
      { path: '^src/features/[^/]+/(repository|chain|heads|case|append|evidence)\\.ts$' },
      'a page asks a service, never the tables behind it',
    ),
    ...direction,
    ...coreOrder,
    forbid(
      'core-rooms-have-a-place',
      { path: '^src/core/[^/]+/', pathNot: [NO_TEST, room(LAYERS.flat())] },
      {},
      'a room of the core stands in LAYERS',
    ),
    forbid(
      'core-rooms-know-no-contents-page',
      { path: '^src/core/[^/]+/', pathNot: NO_TEST },
      { path: '^src/core/(index\\.ts$|testing/)' },
      'the contents page is for those outside; what tests need is for tests',
    ),
    forbid(
      'core-no-circles',
      { path: '^src/core', pathNot: NO_TEST },
      { circular: true },
      'no import circles in the core, of types neither',
    ),
    forbid(
      'no-circles',
      {},
      { circular: true, viaOnly: { dependencyTypesNot: ['type-only'] } },
      'no import circles',
    ),
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'require', 'node', 'default', 'types'],
    },
  },
};
