import tseslint from 'typescript-eslint'
import hooks from 'eslint-plugin-react-hooks'

/** Which packages may know which: core ← contract ← server, web, cli; devices know none of them. */
const forbid = (names, why) => ({
  'no-restricted-imports': [
    'error',
    {
      patterns: [
        { group: names, message: why },
        // The model of a site has a name of its own: it runs where nothing can be connected, without the line.
        {
          group: ['@plumb-mark/*/*', '!@plumb-mark/devices/site', '!@plumb-mark/manual/*'],
          message: 'import a package by its name, never by a path inside it',
        },
      ],
    },
  ],
})

/** The floors of core, lowest first: a folder may import from those before it only, so there are no circles. */
const FLOORS = [
  'ids',
  'shape',
  'quantity',
  'verdict',
  'ac',
  'array',
  'dc',
  'commissioning',
  'earthing',
  'meter',
  'power-up',
  'sun',
  'terminal',
  'wall',
  'photo',
  'calculators',
  'instrument',
  'device',
  'answer',
  'sheet',
  'as-built',
  'job',
  'requirements',
  'walk',
  'sign-off',
  'hand-over',
  'prepare',
  'patterns',
  'reinspection',
  'drawings',
  'entering',
  'admission',
]
const onFloor = (folder, i) => ({
  files: [`packages/core/src/${folder}/**/*.ts`, `packages/core/src/${folder}.ts`],
  ignores: ['**/*.spec.ts', '**/*.testing.ts'],
  rules: {
    'no-restricted-imports': [
      'error',
      {
        patterns: [
          { regex: '^[^.]', message: 'core imports nothing outside itself' },
          ...(i + 1 < FLOORS.length
            ? [
                {
                  regex: `^(\\./|(\\.\\./)+)(${FLOORS.slice(i + 1).join('|')})(/|\\.js$)`,
                  message: `${folder} stands below: imports run down only`,
                },
              ]
            : []),
          { regex: '/index\\.js$', message: 'index.ts is the face for others' },
        ],
      },
    ],
  },
})

/** The floors of the web, lowest first; after `stages` each folder is a screen. A screen may show a part of one that stands before it. */
const WEB_FLOORS = [
  'ui',
  'data',
  'lists',
  'offline',
  'layout',
  'job',
  'photo-tape',
  'devices',
  'manuals',
  'checks',
  'stages',
  'account',
  'reinspection',
  'instruments',
  'calculators',
  'on-device',
  'exchange',
  'visits',
  'defects',
  'hand-over',
  'jobs',
  'office',
  'practice',
  'preparation',
  'report',
  'rework',
  'sheets',
  'sign-off',
  'start',
  'help',
  'walk',
  'app',
]
const WEB_KNOWS = [
  {
    group: ['@plumb-mark/server', '@plumb-mark/cli', '@nestjs/*', 'typeorm', 'node:*'],
    message: 'the web knows contract and core',
  },
  {
    group: ['@plumb-mark/*/*', '!@plumb-mark/devices/site', '!@plumb-mark/manual/*'],
    message: 'import a package by its name, never by a path inside it',
  },
]
/** The floors of the server, lowest first: what is appended knows no feature; `admission` gives it what it needs of them. */
const SERVER_FLOORS = [
  'http',
  'database',
  'entries',
  'figures',
  'assignments',
  'audit',
  'accounts',
  'work',
  'calculation',
  'seals',
  'installations',
  'records',
  'sheets',
  'samples',
  'instruments',
  'traces',
  'evidence',
  'lists',
  'admission',
  'sign-off',
  'jobs',
  'reinspection',
  'visits',
  'devices',
  'office',
  'exchange',
  'backup',
  'health',
  'demo',
]
const SERVER_KNOWS = [
  {
    group: ['@plumb-mark/web', '@plumb-mark/cli', '@plumb-mark/devices', 'react'],
    message: 'the server knows contract, archive and core',
  },
  { group: ['@plumb-mark/*/*'], message: 'import a package by its name, never by a path inside it' },
]

/** The floors of reading a manual: what is on the page, how it is laid out, what it says, what of it stands, what a sheet makes of it, what is new in it, what a person decides. */
const MANUAL_FLOORS = [
  'page',
  'source',
  'clippings',
  'layout',
  'finders',
  'resolve',
  'proposal',
  'edition',
  'workbench',
]

/** The folders of the stand-ins: what is around them, the machines, the site that they make, what is spoken and what can be wrong. */
const DEVICE_FLOORS = [
  'environment',
  'protocol',
  'battery',
  'electronics',
  'inverter',
  'meter',
  'site',
  'faults',
]
const DEVICES_KNOW = [
  { group: ['@plumb-mark/*', '@nestjs/*', 'typeorm', 'react'], message: 'stand-ins know none of the others' },
]

const MANUAL_KNOWS = [
  {
    group: [
      '@plumb-mark/contract',
      '@plumb-mark/server',
      '@plumb-mark/web',
      '@plumb-mark/cli',
      'react',
      'node:*',
    ],
    message: 'reading a manual knows core only: the same code runs in the browser and on the command line',
  },
]

/** For each folder of an application: imports run down only, so that there are no rings. */
const floorsOf = (root, floors, knows) =>
  floors.map((folder, i) => ({
    files: [`${root}/${folder}/**/*.{ts,tsx}`],
    ignores: ['**/*.spec.ts', '**/*.spec.tsx', '**/*.testing.ts'],
    rules: {
      'no-restricted-imports': [
        'error',
        {
          patterns: [
            ...knows,
            ...(i + 1 < floors.length
              ? [
                  {
                    regex: `^(\\.\\./)+(${floors.slice(i + 1).join('|')})/`,
                    message: `${folder} stands below: imports run down only`,
                  },
                ]
              : []),
          ],
        },
      ],
    },
  }))

export default tseslint.config(
  { ignores: ['**/dist/**', '**/bundle/**', '**/node_modules/**', 'data/**', 'test-results/**'] },
  ...tseslint.configs.recommended,
  {
    files: ['**/*.ts', '**/*.tsx'],
    rules: {
      '@typescript-eslint/consistent-type-imports': [
        'error',
        { fixStyle: 'separate-type-imports', disallowTypeAnnotations: false },
      ],
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_' }],
      '@typescript-eslint/no-unused-expressions': 'off',
      '@typescript-eslint/no-empty-function': 'off',
      eqeqeq: 'error',
    },
  },
  {
    files: ['apps/server/**/*.ts', 'packages/contract/**/*.ts'],
    rules: { '@typescript-eslint/consistent-type-imports': 'off' },
  },
  {
    files: ['packages/core/src/**/*.ts'],
    ignores: ['**/*.spec.ts', '**/*.testing.ts'],
    rules: {
      'no-restricted-globals': [
        'error',
        'window',
        'document',
        'process',
        'fetch',
        'setTimeout',
        'performance',
        'crypto',
      ],
      'no-restricted-properties': [
        'error',
        { object: 'Date', property: 'now' },
        { object: 'Math', property: 'random' },
      ],
    },
  },
  ...FLOORS.map(onFloor),
  {
    files: ['packages/contract/src/**/*.ts'],
    rules: forbid(
      ['@plumb-mark/server', '@plumb-mark/web', '@plumb-mark/cli', '@nestjs/*', 'typeorm', 'react'],
      'contract knows core and the parts of a report',
    ),
  },
  {
    files: ['packages/report/src/**/*.ts'],
    ignores: ['**/*.spec.ts', '**/*.testing.ts'],
    rules: forbid(
      ['@plumb-mark/contract', '@plumb-mark/server', '@plumb-mark/web', '@plumb-mark/cli', 'react', 'node:*'],
      'a report knows core and how to lay out a drawing',
    ),
  },
  {
    files: ['packages/practice/src/**/*.ts'],
    ignores: ['**/*.spec.ts', '**/*.testing.ts'],
    rules: forbid(
      ['@plumb-mark/contract', '@plumb-mark/server', '@plumb-mark/web', '@plumb-mark/cli', 'react', 'node:*'],
      'practice knows core only: nothing of it can reach a real job',
    ),
  },
  ...floorsOf('packages/manual/src', MANUAL_FLOORS, MANUAL_KNOWS),
  {
    files: ['packages/archive/src/**/*.ts'],
    rules: forbid(
      [
        '@plumb-mark/contract',
        '@plumb-mark/server',
        '@plumb-mark/web',
        '@plumb-mark/cli',
        '@nestjs/*',
        'typeorm',
        'react',
      ],
      'the archive knows core, the disk and the database',
    ),
  },
  ...floorsOf('apps/server/src', SERVER_FLOORS, SERVER_KNOWS),
  {
    files: ['apps/web/src/**/*.{ts,tsx}'],
    plugins: { 'react-hooks': hooks },
    rules: {
      ...hooks.configs.recommended.rules,
      'react-hooks/set-state-in-effect': 'off',
      'react-hooks/incompatible-library': 'off',
    },
  },
  ...floorsOf('apps/web/src', WEB_FLOORS, WEB_KNOWS),
  // What serves only the tests may read the samples.
  { files: ['apps/web/src/testing/**'], rules: { 'no-restricted-imports': 'off' } },
  {
    files: ['apps/cli/src/**/*.ts'],
    rules: forbid(
      ['@plumb-mark/server', '@plumb-mark/web', '@nestjs/*', 'typeorm', 'react'],
      'the command line knows contract, archive and core',
    ),
  },
  {
    files: ['apps/devices/src/**/*.ts'],
    rules: forbid(DEVICES_KNOW[0].group, DEVICES_KNOW[0].message),
  },
  ...floorsOf('apps/devices/src', DEVICE_FLOORS, DEVICES_KNOW),
)
