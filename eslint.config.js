import js from '@eslint/js';
import a11y from 'eslint-plugin-jsx-a11y';
import hooks from 'eslint-plugin-react-hooks';
import globals from 'globals';
import ts from 'typescript-eslint';

const TYPED = [
  'core/src/**/*.ts',
  'contract/src/**/*.ts',
  'server/{src,test}/**/*.{ts,tsx}',
  'web/{src,test}/**/*.{ts,tsx}',
  'demo/**/*.ts',
];
const TESTS = ['**/*.test.{ts,tsx}', '**/test/**', 'e2e/**'];
/** Tables of data, and SQL that has landed: read row by row, not as code. */
const TABLES = [
  'core/src/rules/schools.ts',
  'core/src/faults/causes/**',
  'core/src/**/*.data.ts',
  'demo/pictures.ts',
  'server/src/platform/database/migrations/**',
];

const BY_HAND = [
  {
    selector:
      'ConditionalExpression[test.operator="==="][test.right.raw="1"]' +
      ':matches([consequent.type="TemplateLiteral"], [consequent.value=/[a-z]/])',
    message: 'Say it by `counted` or `byCount`.',
  },
  { selector: 'MemberExpression[property.name=/^toLocale(Date|Time)?String$/]', message: 'Say it by core/days.' },
  { selector: 'NewExpression[callee.property.name=/^(DateTime|Number)Format$/]', message: 'Say it by core/units.' },
  {
    selector: 'CallExpression[callee.property.name=/^get(UTC)?(FullYear|Month|Date|Hours|Minutes)$/]',
    message: 'A day is that of the shop: say it by core/days.',
  },
];

export default ts.config(
  { ignores: ['**/node_modules/', 'dist/', '.eclat/', 'test-results/', 'docs/'] },
  js.configs.recommended,
  ...ts.configs.recommended,
  {
    files: TYPED,
    // Matchers and stand-ins are loosely typed by nature, and a third of the time would go there.
    ignores: TESTS,
    extends: ts.configs.recommendedTypeCheckedOnly,
    // One program for all: core is not read again for each workspace.
    languageOptions: { parserOptions: { project: 'tsconfig.lint.json' } },
  },
  {
    rules: {
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      '@typescript-eslint/no-explicit-any': 'error',
      'no-console': 'off',
      'no-nested-ternary': 'error',
      'max-statements-per-line': ['error', { max: 1 }],
      eqeqeq: 'error',
    },
  },
  {
    // Plurals, days and large numbers are said in one place each: core/units and core/days.
    files: ['core/src/**/*.ts', 'web/src/**/*.{ts,tsx}', 'server/src/**/*.ts', 'contract/src/**/*.ts'],
    ignores: [...TESTS, ...TABLES, 'core/src/units/counted.ts', 'core/src/days/index.ts'],
    rules: { 'no-restricted-syntax': ['error', ...BY_HAND] },
  },
  { ignores: [...TESTS, ...TABLES], rules: { 'max-lines-per-function': ['error', { max: 80 }] } },
  // Long lines are data only.
  { ignores: TABLES, rules: { 'max-len': ['error', { code: 120 }] } },
  {
    files: ['scripts/**/*.mjs', '*.js', '*.cjs', 'bench/**', 'e2e/**', 'server/**'],
    languageOptions: { globals: globals.node },
  },
  {
    files: ['scripts/screenshots.mjs', 'bench/**'],
    languageOptions: { globals: { ...globals.node, ...globals.browser } },
  },
  {
    files: ['core/src/**/*.ts'],
    rules: {
      // Core takes time and chance from its callers.
      'no-restricted-properties': [
        'error',
        { object: 'Math', property: 'random', message: 'Randomness is passed in.' },
        { object: 'Date', property: 'now', message: 'Time is passed in.' },
      ],
    },
  },
  {
    files: ['web/src/**/*.{ts,tsx}'],
    extends: [a11y.flatConfigs.recommended],
    plugins: { 'react-hooks': hooks },
    languageOptions: { globals: globals.browser },
    rules: {
      // Missing over plain HTTP, where Eclat has to work too.
      'no-restricted-properties': ['error', { object: 'crypto', property: 'randomUUID', message: 'Use newId.' }],
      'react-hooks/rules-of-hooks': 'error',
      'react-hooks/exhaustive-deps': 'error',
      'jsx-a11y/label-has-associated-control': ['error', { controlComponents: ['FocusedInput'], assert: 'either' }],
      // A sheet that was opened to type into one field puts the hand there; native elements are not focused.
      'jsx-a11y/no-autofocus': ['error', { ignoreNonDOM: true }],
      // Keys may bubble up to the group that moves the focus; what is pressed is a button.
      'jsx-a11y/no-noninteractive-element-interactions': [
        'error',
        { handlers: ['onClick', 'onMouseDown', 'onMouseUp'] },
      ],
      // What scrolls is reached by keyboard.
      'jsx-a11y/no-noninteractive-tabindex': ['error', { tags: [], roles: ['region', 'group', 'tabpanel'] }],
      // Sounds of clocks and remarks in the technician's own voice: there is nobody who could caption them.
      'jsx-a11y/media-has-caption': 'off',
    },
  },
);
