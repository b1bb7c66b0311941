// One runner, four suites: core on its own, the parts of the interface that need no page, the server against a real database, the interface in a real browser.
const transform = { '^.+\\.(ts|mts)$': ['@swc/jest', { jsc: { target: 'es2022', parser: { syntax: 'typescript' } }, module: { type: 'commonjs' } }] }
const esm = { '^.+\\.js$': ['@swc/jest', { jsc: { target: 'es2022' }, module: { type: 'commonjs' } }] }
const common = {
  transform: { ...transform, ...esm },
  testEnvironment: 'node',
  moduleNameMapper: {
    '^@yastik/core/(.*)$': '<rootDir>/core/src/$1/index.ts',
    '^@yastik/(server|stand-ins)/(.*)$': '<rootDir>/$1/src/$2.ts',
  },
  // Packages that ship as ES modules only.
  transformIgnorePatterns: [
    '/node_modules/(?!(uuid|idb|@vueuse|@tanstack|remove-accents|intl-messageformat|@formatjs|p-limit|yocto-queue|flesch-kincaid|syllable)/)',
  ],
}

/** Where the launcher wrote down groups of test files: they are run instead of each file by itself. */
const groups = process.env.YASTIK_TEST_GROUPS
const testsOf = (...patterns) => ({ testMatch: groups ? [`${groups}/*.test.cjs`] : patterns.map((pattern) => `<rootDir>/${pattern}`) })

export default {
  projects: [
    { ...common, displayName: 'core', ...testsOf('core/src/**/*.test.ts') },
    {
      ...common,
      displayName: 'web',
      ...testsOf('web/src/**/*.test.ts'),
      transform: { ...transform, ...esm, '\\.vue$': '<rootDir>/scripts/jest/vue.mjs' },
      moduleNameMapper: {
        ...common.moduleNameMapper,
        '\\.css$': '<rootDir>/scripts/jest/noStyles.cjs',
        // Built for a page; built for this runner.
        '^element-plus/es/(.*)$': 'element-plus/lib/$1',
      },
      testEnvironmentOptions: { customExportConditions: ['node', 'node-addons'] },
    },
    {
      ...common,
      displayName: 'server',
      ...testsOf('server/src/**/*.test.ts', 'stand-ins/src/**/*.test.ts'),
      setupFilesAfterEnv: ['<rootDir>/server/src/tests/setup.ts'],
    },
    {
      ...common,
      displayName: 'interface',
      ...testsOf('e2e/src/**/*.test.ts'),
      setupFilesAfterEnv: ['<rootDir>/e2e/src/support/atTheEnd.ts'],
    },
  ],
}
