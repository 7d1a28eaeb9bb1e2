import js from '@eslint/js';
import prettier from 'eslint-config-prettier';
import vue from 'eslint-plugin-vue';
import globals from 'globals';
import ts from 'typescript-eslint';

/** Rooms of core in the order of the arrows: a room may import those before it, never those after. */
const ROOMS = [
  ['numbers'],
  ['drive'],
  ['teeth', 'turning'],
  ['motion'],
  ['shelf'],
  ['divide', 'follow', 'travel', 'run', 'find', 'arbors'],
  ['make'],
  ['errors'],
  ['force', 'simulate'],
  ['control'],
  ['measure'],
  ['log'],
  ['words'],
  ['plans'],
  ['report'],
  ['choose'],
  ['start'],
  ['files'],
  ['exports'],
];

const outside = [
  'vue',
  'vue-*',
  'pinia',
  'vuetify',
  'dexie',
  'express',
  '@pendrix/*',
  'node:*',
  'fs',
  'path',
];

/** What each room must not reach for: rooms after it, other rooms beside it, and anything that is not computation. */
const roomRules = ROOMS.flatMap((rooms, level) =>
  rooms.map((room) => {
    const later = [...ROOMS.slice(level + 1).flat(), ...rooms.filter((r) => r !== room)];
    const patterns = [
      { group: outside, message: 'core is the computation alone: no interface, no Node.' },
      ...(later.length > 0
        ? [
            {
              group: later.flatMap((r) => [`../${r}/*`, `../../${r}/*`, `../../../${r}/*`]),
              message: `${room} comes before these rooms: arrows run one way.`,
            },
          ]
        : []),
      ...(room === 'numbers'
        ? []
        : [
            {
              group: ['fraction.js'],
              message: 'only numbers/rational.ts knows the package behind a rational.',
            },
          ]),
    ];
    return {
      files: [`core/src/${room}/**/*.ts`],
      ignores: ['**/*.test.ts', '**/*.bench.ts'],
      rules: {
        'no-restricted-imports': ['error', { patterns }],
        'no-restricted-globals': [
          'error',
          'window',
          'document',
          'process',
          'localStorage',
          'fetch',
          'navigator',
        ],
        'max-lines': ['error', { max: 300 }],
      },
    };
  }),
);

export default ts.config(
  { ignores: ['**/dist/**', 'node_modules/**', 'test-results/**', 'coverage/**'] },
  js.configs.recommended,
  ...ts.configs.recommendedTypeChecked,
  ...vue.configs['flat/recommended'],
  {
    languageOptions: {
      parserOptions: {
        // all in one program: each room's own would check core again
        project: ['tsconfig.json'],
        tsconfigRootDir: import.meta.dirname,
        extraFileExtensions: ['.vue'],
      },
    },
    rules: {
      '@typescript-eslint/no-unused-vars': [
        'error',
        { argsIgnorePattern: '^_', varsIgnorePattern: '^_', ignoreRestSiblings: true },
      ],
      '@typescript-eslint/consistent-type-imports': 'error',
      '@typescript-eslint/switch-exhaustiveness-check': [
        'error',
        { considerDefaultExhaustiveForUnions: true },
      ],
      'no-restricted-syntax': ['error', { selector: 'TSEnumDeclaration', message: 'string unions instead' }],
      eqeqeq: ['error', 'always'],
    },
  },
  {
    files: ['**/*.vue'],
    languageOptions: { parserOptions: { parser: ts.parser }, globals: globals.browser },
  },
  {
    files: ['**/*.vue'],
    rules: {
      'vue/multi-word-component-names': 'off',
      'vue/valid-v-slot': ['error', { allowModifiers: true }],
      'max-lines': ['error', { max: 300 }],
    },
  },
  { files: ['web/src/**/*.ts'], rules: { 'max-lines': ['error', { max: 300 }] } },
  {
    // the program of all rooms knows Node's names; a page has none of them
    files: ['web/src/**/*.{ts,vue}'],
    ignores: ['**/*.test.ts'],
    rules: {
      'no-restricted-globals': ['error', 'process', 'Buffer', 'global', 'require', '__dirname', '__filename'],
    },
  },
  {
    files: ['web/src/stations/**', 'web/src/ui/**'],
    rules: {
      'no-restricted-imports': [
        'error',
        {
          patterns: [
            {
              group: ['dexie', '**/records/versions*', '**/records/database*'],
              message: 'pages go through the stores.',
            },
            { group: ['fraction.js', 'joi'], message: 'a page computes nothing.' },
          ],
        },
      ],
    },
  },
  ...roomRules,
  {
    files: ['**/*.mjs', '**/*.cjs'],
    ...ts.configs.disableTypeChecked,
    languageOptions: {
      globals: globals.node,
      parserOptions: { project: false, program: null, projectService: false },
    },
  },
  prettier,
);
