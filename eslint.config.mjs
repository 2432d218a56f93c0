import js from '@eslint/js'
import vue from 'eslint-plugin-vue'
import globals from 'globals'
import tseslint from 'typescript-eslint'

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
      '@typescript-eslint/no-import-type-side-effects': 'error',
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
    },
  },
  {
    // Scripts, benchmarks and the demo builder talk to a terminal.
    files: ['scripts/**', 'bench/**', 'demo/build.ts'],
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
      'no-restricted-imports': ['error', { patterns: ['dexie', '\\#demo/*', 'node:*'] }],
    },
  },
)
