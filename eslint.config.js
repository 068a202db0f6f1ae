import tseslint from 'typescript-eslint';
import reactHooks from 'eslint-plugin-react-hooks';
import jsxA11y from 'eslint-plugin-jsx-a11y';

/** Import walls: each room of the house names what it may not reach. Paths and reasons in docs/architecture.md. */
const wall = (files, groups, message) => ({
  files,
  rules: {
    '@typescript-eslint/no-restricted-imports': [
      'error',
      { patterns: groups.map((group) => ({ group: [group], message })) },
    ],
    'no-restricted-syntax': [
      'error',
      ...groups.map((group) => ({
        selector: `ImportExpression[source.value=/^${group.replace(/[/*]+$/, '').replace(/[.*+?^${}()|[\]\\/]/g, '\\$&')}/]`,
        message,
      })),
    ],
  },
});

/** The order of folders in core is the order of the work: a folder may import only those above it. */
const coreOrder = [
  'random',
  'facts',
  'recall',
  'practice',
  'advance',
  'numbers',
  'materials',
  'numerals',
  'games',
  'classroom',
  'print',
  'planning',
  'simulation',
];
const coreWalls = coreOrder
  .slice(0, -1)
  .map((folder, at) =>
    wall(
      [`core/src/${folder}/**/*.ts`],
      [
        ...coreOrder.slice(at + 1).map((later) => `../${later}/*`),
        '@veldrift/*',
        'node:*',
        'react*',
        '@mui/*',
        'pg',
        'hono*',
      ],
      'core imports point downwards only, and core knows no screen, server or clock.',
    ),
  );

export default tseslint.config(
  { ignores: ['**/dist/**', 'node_modules/**', '.tsbuild/**', '.veldrift/**', '**/test-results/**'] },
  ...tseslint.configs.recommended,
  ...tseslint.configs.recommendedTypeCheckedOnly.map((one) => ({ ...one, files: ['**/*.{ts,tsx}'] })),
  {
    files: ['**/*.{ts,tsx}'],
    languageOptions: { parserOptions: { projectService: true, tsconfigRootDir: import.meta.dirname } },
    rules: {
      // It takes assertions for needless that narrow what is assigned.
      '@typescript-eslint/no-unnecessary-type-assertion': 'off',
      // A default is no way round a case that was forgotten.
      '@typescript-eslint/switch-exhaustiveness-check': [
        'error',
        { considerDefaultExhaustiveForUnions: false, requireDefaultForNonUnion: false },
      ],
    },
  },
  {
    files: ['**/*.{ts,tsx,js,mjs}'],
    rules: {
      '@typescript-eslint/no-explicit-any': 'error',
      '@typescript-eslint/consistent-type-imports': 'error',
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      'no-restricted-exports': ['error', { restrictDefaultExports: { direct: true } }],
      'max-lines': ['error', { max: 300, skipBlankLines: true, skipComments: true }],
    },
  },
  {
    files: ['*.config.{js,ts}', '**/*.config.ts', 'e2e/globalSetup.ts', 'e2e/pageReporter.ts'],
    rules: { 'no-restricted-exports': 'off' },
  },
  { files: ['**/*.test.ts', 'e2e/**'], rules: { 'max-lines': 'off' } },
  {
    files: ['web/**/*.{ts,tsx}'],
    plugins: { 'react-hooks': reactHooks, 'jsx-a11y': jsxA11y },
    rules: {
      ...reactHooks.configs.recommended.rules,
      ...jsxA11y.flatConfigs.recommended.rules,
      'jsx-a11y/no-autofocus': 'off',
      // react-hook-form's watch is not for the compiler, which is not used here.
      'react-hooks/incompatible-library': 'off',
    },
  },
  ...coreWalls,
  wall(
    ['core/src/simulation/**/*.ts'],
    ['@veldrift/*', 'node:*', 'react*', '@mui/*', 'pg', 'hono*'],
    'core knows no screen, server or clock.',
  ),
  wall(
    ['wire/src/**/*.ts'],
    ['@veldrift/server', '@veldrift/web', 'node:*', 'react*', '@mui/*', 'pg', 'hono*'],
    'wire knows only core.',
  ),
  wall(['server/src/**/*.ts'], ['@veldrift/web', 'react*', '@mui/*'], 'the server knows no screen.'),
  wall(
    ['web/src/**/*.{ts,tsx}'],
    ['@veldrift/server', 'node:*', 'pg', 'hono'],
    'the interface reaches the server through wire only.',
  ),
);
