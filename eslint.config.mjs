import js from '@eslint/js'
import vue from 'eslint-plugin-vue'
import globals from 'globals'
import { readdirSync } from 'node:fs'
import tseslint from 'typescript-eslint'

/** What the files of a layer may not ask for. A path that climbs two folders hides the layer; the database alone lies so deep. */
const layer = (folder, forbidden, message) => ({
  files: [`app/${folder}/**/*.ts`, `app/${folder}/**/*.vue`],
  ignores: ['app/**/*.test.ts'],
  rules: {
    'no-restricted-imports': [
      'error',
      {
        patterns: [
          { regex: forbidden, message },
          ...(folder === 'db' ? [] : [{ regex: '^(\\.\\./){2}', message: 'Ask by the short path (~/...): it shows the layer.' }]),
        ],
      },
    ],
  },
})
const AREA_FOLDERS = readdirSync(new URL('app/areas', import.meta.url))

export default tseslint.config(
  {
    ignores: [
      '.nuxt/**',
      '.output/**',
      '.demo/**',
      'node_modules/**',
      'coverage/**',
      'test-results/**',
      'playwright-report/**',
      'public/**',
      'site/**',
    ],
  },
  { linterOptions: { reportUnusedDisableDirectives: 'error' } },
  js.configs.recommended,
  ...tseslint.configs.recommended,
  ...vue.configs['flat/recommended'].map(config => ({ files: ['**/*.vue'], ...config })),
  {
    files: ['**/*.vue'],
    languageOptions: { parserOptions: { parser: tseslint.parser } },
    rules: {
      'vue/multi-word-component-names': 'off',
      'vue/html-closing-bracket-newline': 'off',
      'vue/html-indent': 'off',
      'vue/multiline-html-element-content-newline': 'off',
      'vue/max-attributes-per-line': 'off',
      'vue/require-default-prop': 'off', // TypeScript knows which props are optional
      'vue/singleline-html-element-content-newline': 'off',
      'vue/html-self-closing': 'off',
      'vue/no-v-html': 'error', // imported text never becomes HTML
    },
  },
  {
    languageOptions: { globals: { ...globals.browser, ...globals.node } },
    rules: {
      'no-undef': 'off', // TypeScript reports unknown names
      'no-console': 'error',
      // One width: oxfmt lays the lines (npm run format), and what it cannot break is broken by hand.
      'max-len': ['error', 140],
      'no-nested-ternary': 'error',
      '@typescript-eslint/no-import-type-side-effects': 'error',
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
    },
  },
  {
    // Scripts, benchmarks and the demo builder talk to a terminal.
    files: ['scripts/**', 'bench/**', 'tests/browsers/**', 'demo/build.ts'],
    rules: { 'no-console': 'off' },
  },
  {
    // A pattern that begins with # would be a comment.
    // core/ is pure: no framework, no browser, no machine. The layer rule.
    files: ['core/**/*.ts'],
    ignores: ['core/**/*.test.ts'],
    rules: {
      'no-restricted-imports': [
        'error',
        { patterns: ['vue', 'pinia', 'dexie', 'nuxt*', '\\#app*', '\\#imports', '~/*', 'node:*', '@vueuse/*', '\\#demo/*'] },
      ],
      'no-restricted-globals': ['error', 'window', 'document', 'indexedDB', 'localStorage', 'process', 'fetch'],
    },
  },
  {
    // Only commands change data, and screens reach them through app/data: none opens the database itself.
    files: ['app/**/*.ts', 'app/**/*.vue'],
    ignores: ['app/**/*.test.ts', 'app/db/**', 'app/data/**', 'app/**/*.worker.ts'],
    rules: {
      '@typescript-eslint/no-restricted-imports': [
        'error',
        {
          paths: [
            { name: '~/db', importNames: ['database', 'transact', 'undo', 'redo'], message: 'Screens use act of ~/data/act.' },
            { name: '~/db/commands', allowTypeImports: true, message: 'Screens use act of ~/data/act.' },
          ],
          patterns: ['dexie', '\\#demo/*', 'node:*'],
        },
      ],
    },
  },
  {
    files: ['app/data/**/*.ts', 'app/**/*.worker.ts'],
    ignores: ['app/**/*.test.ts'],
    rules: {
      '@typescript-eslint/no-restricted-imports': ['error', { patterns: ['dexie', '\\#demo/*', 'node:*'] }],
    },
  },
  {
    // Inches, points and pixels of the screen are defined once, in core/units. What waits says in which order.
    files: ['{core,app,demo,server}/**/*.{ts,vue}'],
    ignores: ['**/*.test.ts', 'core/units/length.ts'],
    rules: {
      'no-restricted-syntax': [
        'error',
        { selector: 'Literal[value=25.4]', message: 'MM_PER_INCH of #core/units.' },
        { selector: 'BinaryExpression[operator=/^[*/]$/] > Literal[value=72]', message: 'PT_PER_INCH or PT_PER_MM of #core/units.' },
        { selector: 'BinaryExpression[operator=/^[*/]$/] > Literal[value=96]', message: 'CSS_PX_PER_MM of #core/units.' },
        {
          selector: 'VariableDeclarator[id.type="ArrayPattern"] > ArrayExpression > AwaitExpression',
          message: 'It reads as if both ran at once: one after the other, or Promise.all.',
        },
      ],
    },
  },
  // The layers of the application, from the ground up. The list of areas (~/areas) is read everywhere.
  layer('db', '^~/(data|kit|subjects|shell|areas/)', 'The database asks for core alone.'),
  layer('data', '^~/(kit|subjects|shell|areas/)', 'What is in memory asks for the database and core.'),
  layer('kit', '^~/(db|data|subjects|shell|areas/)', 'The kit knows nothing of sets.'),
  layer('subjects', '^~/(shell|areas/)', 'A subject asks for no area and not for the shell.'),
  layer('shell', '^~/areas/', 'The shell knows areas by their list alone.'),
  ...AREA_FOLDERS.map(area => layer(`areas/${area}`, `^~/(shell|areas/(?!${area}/))`, 'What two areas need is a subject.')),
)
