// Who may import whom: the one list. `npm run lint` holds the code to it; see CONTRIBUTING.md.

/** Rooms of each layer from the ground up: a room imports only rooms that stand before it. */
const ROOMS = {
  core: [
    'program',
    'terms',
    'body',
    'posture',
    'log',
    'criterion',
    'library',
    'kit',
    'demand',
    'dose',
    'ladder',
    'fault',
    'track',
    'plan',
    'sheets',
    'floor',
    'review',
    'exchange',
  ],
  server: [
    'db',
    'access',
    'hall',
    'people',
    'kit',
    'library',
    'log',
    'fit',
    'fault',
    'eye',
    'plan',
    'sheets',
    'demo',
  ],
  web: [
    'ui',
    'workers',
    'figure',
    'dose',
    'guide',
    'shell',
    'kit',
    'body',
    'log',
    'eye',
    'fault',
    'plan',
    'own',
    'floor',
    'library',
    'changes',
    'sheets',
    'people',
    'ladders',
    'hall',
  ],
};

/** Layers that each layer may import, and the packages it may take (absent: any, and the system's modules). */
const LAYERS = {
  core: { mayImport: [], packages: ['node-diff3', 'highs'] },
  contract: { mayImport: ['core'], packages: ['joi'] },
  server: { mayImport: ['core', 'contract'] },
  web: { mayImport: ['core', 'contract'] },
};

const oneOf = (names) => `(${names.join('|')})`;
const TESTS = '(\\.test\\.tsx?$|/testing/)';
const error = (name, comment, from, to) => ({ name, comment, severity: 'error', from, to });

const roomOrder = Object.entries(ROOMS).flatMap(([layer, rooms]) =>
  rooms.map((room, i) => {
    const open = [...rooms.slice(0, i + 1), 'testing'];
    return error(
      `${layer}-${room}-imports-rooms-below`,
      `${layer}/${room} stands below the room it imports; the order is in .dependency-cruiser.mjs.`,
      { path: `^${layer}/${room}/`, pathNot: TESTS },
      { path: `^${layer}/[^/]+/`, pathNot: `^${layer}/${oneOf(open)}/` },
    );
  }),
);

const layerOrder = Object.entries(LAYERS).flatMap(([layer, { mayImport, packages }]) => {
  const own = `^${oneOf(['core', 'contract', 'server', 'web', 'scripts', 'e2e'])}/`;
  const from = { path: `^${layer}/`, pathNot: TESTS };
  return [
    error(
      `${layer}-imports-layers-below`,
      `${layer} imports ${['itself', ...mayImport].join(', ')} and no other layer.`,
      from,
      { path: own, pathNot: `^${oneOf([layer, ...mayImport])}/` },
    ),
    ...(packages
      ? [
          error(
            `${layer}-packages`,
            `${layer} takes no system module and no package but those named in .dependency-cruiser.mjs.`,
            from,
            {
              dependencyTypes: ['core', 'npm', 'npm-dev', 'npm-no-pkg'],
              pathNot: `node_modules/${oneOf(packages)}/`,
            },
          ),
        ]
      : []),
  ];
});

export default {
  forbidden: [
    ...layerOrder,
    ...roomOrder,
    error(
      'every-room-has-its-place',
      'A new room is named in ROOMS, at its place in the order.',
      {
        path: '^(core|server|web)/[^/]+/',
        pathNot: `^(${Object.entries(ROOMS)
          .map(([l, r]) => `${l}/${oneOf([...r, 'testing'])}`)
          .join('|')})/`,
      },
      {},
    ),
    error(
      'rooms-by-their-index',
      'Import another room through its index.ts; a room’s other files are its own.',
      { path: '^(core|server|web)/([^/]+)/', pathNot: TESTS },
      {
        path: '^(core|server|web)/[^/]+/',
        pathNot: ['^$1/$2/', '^[^/]+/[^/]+/index\\.ts$', '^core/testing/'],
      },
    ),
    error(
      'web-takes-types-from-contract',
      'web takes the table of endpoints and types from contract: Joi stays out of the bundle.',
      { path: '^web/', pathNot: TESTS },
      { path: '^contract/', pathNot: '^contract/endpoints\\.ts$', dependencyTypesNot: ['type-only'] },
    ),
    error(
      'endpoints-take-types-only',
      'The table of endpoints goes into the bundle: it imports nothing but types.',
      { path: '^contract/endpoints\\.ts$' },
      { dependencyTypesNot: ['type-only'] },
    ),
    error(
      'no-circle-of-files',
      'Files that import each other in a circle: move what both need to a third one.',
      { path: '^(core/[^/]+|contract|server/[^/]+|web/[^/]+)/', pathNot: TESTS },
      { circular: true, viaOnly: { path: '^$1/' } },
    ),
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '^(dist|dist-server|data|\\.cache)/' },
    // Imports of types count: they tie rooms together as others do.
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
    enhancedResolveOptions: { extensions: ['.ts', '.tsx', '.mjs', '.js'] },
    cache: { folder: '.cache/depcruise', strategy: 'content' },
  },
};
