// Packages that ship only ES modules: swc turns them into CommonJS for Jest.
// After adding a dependency, "SyntaxError: Unexpected token 'export'" or "Cannot use import statement" names the one to add.
const esmOnly = [
  'd3-array',
  'd3-polygon',
  'internmap',
  'robust-predicates',
  'fractional-indexing',
  'ulid',
  'pdfjs-dist',
  '@cantoo/pdf-lib',
  '@cantoo/fontkit',
  'fast-check',
  'pure-rand',
  'qr',
  '@vueuse/core',
  '@vueuse/shared',
]

export default {
  maxWorkers: '100%', // on two cores Jest would keep one of them free
  testTimeout: 120_000, // no test is timed: beside a build, on a busy machine, a property takes several times as long
  testEnvironment: '<rootDir>/tests/support/sandbox.mjs',
  // Clearing away by hand what a whole database in memory holds takes longer than its tests, and grows without bound.
  testEnvironmentOptions: { globalsCleanup: 'off' },
  testMatch: ['<rootDir>/{core,app,server,demo}/**/*.test.ts', '<rootDir>/tests/reference/**/*.test.ts'],
  modulePathIgnorePatterns: ['<rootDir>/\\.output/', '<rootDir>/\\.nuxt/'],
  // "#core/*" comes from "imports" in package.json; Jest reads it by itself.
  moduleNameMapper: { '^~/(.*)$': '<rootDir>/app/$1' },
  transform: {
    '^.+\\.m?[jt]s$': [
      '@swc/jest',
      {
        jsc: { parser: { syntax: 'typescript' }, target: 'es2022' },
        module: { type: 'commonjs' },
      },
    ],
  },
  transformIgnorePatterns: [`/node_modules/(?!(${esmOnly.join('|')})/)`],
}
