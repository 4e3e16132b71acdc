import js from '@eslint/js';
import svelte from 'eslint-plugin-svelte';
import globals from 'globals';
import ts from 'typescript-eslint';
import svelteConfig from './app/svelte.config.js';

// The road, in order. A step of the core may use language/, post/ and the steps before it, never one after it.
const ROAD = ['gather', 'tidy', 'shape', 'write', 'dress', 'proof', 'send'];

const forbid = (files, patterns, message) => ({
  files,
  rules: { 'no-restricted-imports': ['error', { patterns: patterns.map((regex) => ({ regex, message })) }] },
});

/** The arrow rules of docs/architecture.md. */
const arrows = [
  forbid(
    ['core/src/language/**'],
    [`/(?:post|${ROAD.join('|')})/`],
    'language/ is what everything stands on: it uses nothing of the core but itself.',
  ),
  forbid(['core/src/post/**'], [`/(?:${ROAD.join('|')})/`], 'post/ may use language/ only.'),
  ...ROAD.map((step, i) => ({
    files: [`core/src/${step}/**`],
    rules: {
      'no-restricted-imports': [
        'error',
        {
          patterns: [
            ...(i < ROAD.length - 1
              ? [{ regex: `/(?:${ROAD.slice(i + 1).join('|')})/`, message: `${step}/ may not use a later step of the road.` }]
              : []),
            {
              regex: `/(?:${ROAD.slice(0, i).concat('page').join('|')})/(?!index\\.ts$)`,
              message: 'A step is entered by its door, index.ts.',
            },
          ],
        },
      ],
    },
  })),
  forbid(['core/src/page/**'], [`/(?:${ROAD.join('|')})/(?!index\\.ts$)`], 'A step is entered by its door, index.ts.'),
  forbid(
    ['app/src/lib/parts/**'],
    ['/(?:spread|server|desk)/', '^\\$lib/(?:spread|server|desk)'],
    'Parts are small controls: they know no screen and no server.',
  ),
  forbid(
    ['app/src/lib/spread/**', 'app/src/lib/desk/**', 'app/src/lib/workers/**'],
    ['^\\$lib/server', '/server/'],
    'What runs in the browser reaches the server through its routes.',
  ),
  forbid(['app/src/lib/server/**'], ['^\\$lib/(?:spread|desk|parts|workers)'], 'The server knows no screens.'),
];

const pureCore = {
  files: ['core/src/**'],
  rules: {
    'no-restricted-globals': ['error', 'document', 'window', 'process', 'fetch', 'setTimeout', 'Date', 'console'],
    'no-restricted-properties': ['error', { object: 'Math', property: 'random' }],
  },
};

export default ts.config(
  { ignores: ['**/node_modules/', '**/build/', '**/.svelte-kit/', 'test-results/', '.demo/', 'app/migrations/'] },
  js.configs.recommended,
  ...ts.configs.recommended,
  ...svelte.configs.recommended,
  { languageOptions: { globals: { ...globals.node, ...globals.browser } } },
  {
    files: ['**/*.svelte', '**/*.svelte.ts'],
    languageOptions: { parserOptions: { parser: ts.parser, extraFileExtensions: ['.svelte'], svelteConfig } },
  },
  {
    rules: {
      '@typescript-eslint/no-non-null-assertion': 'off',
      '@typescript-eslint/no-unused-expressions': ['error', { allowShortCircuit: true, allowTernary: true, enforceForJSX: false }],
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      // The application is served from the root of its own address.
      'svelte/no-navigation-without-resolve': 'off',
      // Collections here are short-lived values, never state that is changed in place.
      'svelte/prefer-svelte-reactivity': 'off',
      // {' '} is how a space survives the formatter.
      'svelte/no-useless-mustaches': 'off',
    },
  },
  {
    files: ['**/*.test.ts', '**/*.spec.ts', 'app/test/**'],
    rules: { '@typescript-eslint/no-unused-expressions': 'off', 'no-empty-pattern': 'off' },
  },
  { files: ['**/*.cjs'], rules: { '@typescript-eslint/no-require-imports': 'off' } },
  pureCore,
  ...arrows,
);
