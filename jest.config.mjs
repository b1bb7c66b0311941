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
  transformIgnorePatterns: ['/node_modules/(?!(uuid|idb|@vueuse|@tanstack|remove-accents|intl-messageformat|@formatjs|p-limit|yocto-queue)/)'],
}

export default {
  testSequencer: '<rootDir>/scripts/jest/longestFirst.mjs',
  projects: [
    { ...common, displayName: 'core', testMatch: ['<rootDir>/core/src/**/*.test.ts'] },
    {
      ...common,
      displayName: 'web',
      testMatch: ['<rootDir>/web/src/**/*.test.ts'],
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
      testMatch: ['<rootDir>/server/src/**/*.test.ts', '<rootDir>/stand-ins/src/**/*.test.ts'],
      setupFilesAfterEnv: ['<rootDir>/server/src/tests/setup.ts'],
    },
    { ...common, displayName: 'interface', testMatch: ['<rootDir>/e2e/src/**/*.test.ts'] },
  ],
}
