import js from '@eslint/js';
import svelte from 'eslint-plugin-svelte';
import globals from 'globals';
import ts from 'typescript-eslint';
import svelteConfig from './svelte.config.js';

/**
 * Which room of the engine may import which (packages/engine/src). A room imports
 * only from rooms named here; `(types)` rooms are imported with `import type` alone,
 * which the compiler checks where it matters.
 */
const ROOMS = {
  base: [],
  findings: ['base', 'source'],
  source: ['base'],
  tokens: ['base', 'findings', 'source'],
  expansion: ['base', 'findings', 'tokens'],
  document: ['base'],
  drawing: ['base', 'document'],
  language: ['base', 'findings', 'tokens', 'expansion', 'document', 'drawing'],
  fonts: ['base', 'findings', 'document'],
  images: ['base', 'findings', 'document'],
  boxes: ['base', 'document', 'fonts'],
  math: ['base', 'findings', 'document', 'fonts', 'boxes'],
  paragraphs: ['base', 'findings', 'document', 'fonts', 'boxes', 'math'],
  blocks: ['base', 'findings', 'document', 'images', 'boxes', 'math', 'paragraphs'],
  pages: ['base', 'findings', 'document', 'boxes', 'blocks'],
  output: ['base', 'document', 'fonts', 'images', 'boxes', 'pages'],
};
const ALL = [...Object.keys(ROOMS), 'session', 'worker', 'testing'];

/** The floors of the language's room: each stands on those named here. */
const FLOORS = {
  symbols: [],
  bibliography: [],
  machine: ['symbols'],
  scanning: ['machine'],
  constructs: ['symbols', 'bibliography', 'machine', 'scanning'],
  pictures: ['machine', 'scanning'],
  expl: ['machine', 'scanning'],
  packages: ['symbols', 'bibliography', 'machine', 'scanning', 'constructs', 'pictures', 'expl'],
  classes: ['symbols', 'machine', 'scanning', 'constructs'],
  kernel: ['symbols', 'machine', 'scanning', 'constructs', 'packages', 'classes'],
};

/** The rooms of what tests written mathematics (packages/checks/src). */
const CHECKS = {
  numbers: [],
  reading: ['numbers'],
  values: ['numbers', 'reading'],
  steps: ['numbers', 'reading', 'values'],
  sheet: ['numbers', 'reading', 'values', 'steps'],
  matrices: ['numbers', 'reading', 'sheet'],
  argument: [],
  signs: ['reading', 'sheet'],
};

/** No room knows the app, its framework or its host. */
const OUTSIDE = {
  group: ['$lib/*', 'node:*', 'svelte', 'svelte/*', '@sveltejs/*'],
  message: 'The engine knows neither the app nor its host.',
};

/** What a room may import; on a floor of it (`language/machine`), other floors count as rooms too. */
const onlyFrom = (folder, room, allowed, all = ALL) => ({
  files: [`${folder}/${room}/**/*.ts`],
  ignores: ['**/*.test.ts'],
  rules: {
    'no-restricted-imports': [
      'error',
      {
        patterns: [
          OUTSIDE,
          ...all
            .filter((other) => other !== room && !allowed.includes(other))
            .map((other) => ({
              group: [`**/${other}/**`],
              message: `${room} may not import ${other}; see docs/architecture.md.`,
            })),
        ],
      },
    ],
  },
});

const restricted = (files, groups, message) => ({
  files,
  ignores: ['**/*.test.ts'],
  rules: {
    'no-restricted-imports': [
      'error',
      { patterns: groups.map((group) => ({ group: [group], message })) },
    ],
  },
});

export default ts.config(
  {
    ignores: [
      'build/',
      'build-tools/',
      '.svelte-kit/',
      'node_modules/',
      'test-results/',
      'drizzle/',
    ],
  },
  js.configs.recommended,
  ...ts.configs.strict,
  ...svelte.configs.recommended,
  { languageOptions: { globals: { ...globals.browser, ...globals.node } } },
  {
    files: ['**/*.svelte', '**/*.svelte.ts'],
    languageOptions: {
      parserOptions: { parser: ts.parser, extraFileExtensions: ['.svelte'], svelteConfig },
    },
  },
  {
    rules: {
      'no-undef': 'off',
      '@typescript-eslint/no-unused-vars': [
        'error',
        { argsIgnorePattern: '^_', varsIgnorePattern: '^_' },
      ],
      '@typescript-eslint/consistent-type-imports': 'error',
      '@typescript-eslint/no-dynamic-delete': 'off',
      '@typescript-eslint/no-invalid-void-type': 'off',
      'svelte/no-navigation-without-resolve': 'off',
      'no-control-regex': 'off',
      // Maps are replaced whole here, never changed in place.
      'svelte/prefer-svelte-reactivity': 'off',
      eqeqeq: ['error', 'always', { null: 'ignore' }],
    },
  },
  ...Object.entries(ROOMS).map(([room, allowed]) => onlyFrom('packages/engine/src', room, allowed)),
  ...Object.entries(FLOORS).map(([floor, allowed]) =>
    onlyFrom(
      'packages/engine/src/language',
      floor,
      [...ROOMS.language, ...allowed],
      [...ALL.filter((room) => room !== 'language'), ...Object.keys(FLOORS)],
    ),
  ),
  ...Object.entries(CHECKS).map(([room, allowed]) =>
    onlyFrom('packages/checks/src', room, allowed, Object.keys(CHECKS)),
  ),
  ...['session', 'worker'].map((room) => onlyFrom('packages/engine/src', room, ALL)),
  restricted(['src/lib/domain/**/*.ts'], ['../*', '$lib/*'], 'The domain imports nothing of ours.'),
  restricted(
    ['src/lib/ui/**'],
    ['**/features/**', '**/server/**'],
    'Plain interface parts know no features.',
  ),
  restricted(
    ['src/lib/features/**'],
    ['**/server/**'],
    'Features run in the browser; the server is reached by routes.',
  ),
  restricted(
    ['src/lib/server/repositories/**'],
    ['**/services/**', '**/typeset/**'],
    'Repositories hold SQL and nothing above it.',
  ),
);
