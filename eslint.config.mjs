// Lint, with the direction of imports: web → core ← server, and inside core only from rooms above.
import js from '@eslint/js'
import prettier from 'eslint-config-prettier'
import { createNodeResolver, importX } from 'eslint-plugin-import-x'
import vue from 'eslint-plugin-vue'
import globals from 'globals'
import ts from 'typescript-eslint'

/** Rooms of the core in the order in which a job passes through them. A room imports from rooms before it, through their door. */
const rooms = [
  'faults',
  'quantities',
  'words',
  'air',
  'units',
  'lookover',
  'products',
  'method',
  'wash',
  'procedure',
  'crew',
  'run',
  'proof',
  'upkeep',
  'money',
  'plan',
  'rounds',
  'wire',
  'report',
]

const later = rooms.slice(0, -1).map((room, index) => ({
  target: `./core/src/${room}/!(*.test).ts`,
  from: rooms.slice(index + 1).map((other) => `./core/src/${other}`),
  message: `${room}/ comes before this room: import only from rooms above.`,
}))
const houses = [
  { target: './core', from: ['./server', './stand-ins', './web', './e2e'], message: 'The core knows neither server nor interface.' },
  {
    target: './server/src/**/!(*.test|database).ts',
    from: ['./stand-ins'],
    message: 'The server knows no stand-in: one is named in the environment.',
  },
  { target: './server', from: ['./web', './e2e'], message: 'The server knows no interface.' },
  { target: './stand-ins', from: ['./web', './e2e'], message: 'Stand-ins know no interface.' },
  { target: './web', from: ['./server', './stand-ins', './e2e'], message: 'The interface reaches the server over HTTP only.' },
  { target: './e2e', from: ['./core', './server', './stand-ins', './web'], message: 'These tests drive from outside.' },
]
/** A feature of the server is entered through its doings and queries: routes are HTTP alone, and only the server as a whole takes them. */
const routesAlone = {
  target: './server/src/*/**/*.ts',
  from: ['./server/src/*/routes.ts'],
  message: 'Routes are for the server as a whole: what others need stands in doings.ts, queries.ts or a file of its own.',
}
/** What a page is not made of outside the kit. */
const controls = ['button', 'input', 'select', 'textarea', 'table', 'dialog', 'details', 'form']
const doors = rooms.map((room) => ({
  // Names that are not messages yet are read from English itself.
  group: [`../${room}/*`, `!../${room}/index.ts`, ...(room === 'words' ? ['!../words/en', '!../words/en/*'] : [])],
  message: `Enter ${room}/ through its index.ts.`,
}))

export default ts.config(
  { ignores: ['**/dist/**', '**/node_modules/**', '.data/**', '.test-data/**', 'docs/**'] },
  js.configs.recommended,
  ...ts.configs.recommended,
  ...vue.configs['flat/recommended'],
  {
    plugins: { 'import-x': importX },
    languageOptions: { globals: { ...globals.node } },
    settings: { 'import-x/resolver-next': [createNodeResolver({ extensions: ['.ts', '.vue', '.mjs', '.js'] })] },
    rules: {
      'import-x/no-restricted-paths': ['error', { zones: [...later, ...houses, routesAlone] }],
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      '@typescript-eslint/no-explicit-any': 'error',
      'no-console': 'off',
      eqeqeq: 'error',
    },
  },
  { files: ['core/src/*/**/*.ts'], rules: { 'no-restricted-imports': ['error', { patterns: doors }] } },
  {
    files: ['core/src/**/*.ts'],
    ignores: ['**/*.test.ts'],
    languageOptions: { globals: {} },
    rules: { 'no-restricted-globals': ['error', 'window', 'document', 'fetch', 'process', 'setTimeout', 'setInterval', 'Date'] },
  },
  {
    files: ['server/src/**/*.ts'],
    ignores: ['**/*.test.ts', 'server/src/db/**', '**/queries.ts'],
    rules: {
      'no-restricted-syntax': [
        'error',
        {
          selector:
            ':matches(Literal[value=/^\\s*(SELECT|INSERT|UPDATE|DELETE)\\s/], TemplateElement[value.raw=/^\\s*(SELECT|INSERT|UPDATE|DELETE)\\s/])',
          message: 'SQL stands in db/ and in queries.ts.',
        },
      ],
    },
  },
  {
    files: ['web/**/*.{ts,vue}'],
    languageOptions: { globals: { ...globals.browser }, parserOptions: { parser: ts.parser } },
    rules: { 'vue/multi-word-component-names': 'off', 'vue/no-mutating-props': 'error' },
  },
  // Controls are the kit's: one look, one behaviour, one place to mend it.
  {
    files: ['web/src/**/*.{ts,vue}'],
    ignores: ['web/src/kit/**', 'web/src/drawing/**'],
    rules: {
      'vue/no-restricted-html-elements': ['error', ...controls.map((element) => ({ element, message: 'Take the control of web/src/kit.' }))],
      'no-restricted-imports': [
        'error',
        { patterns: [{ group: ['element-plus', 'element-plus/*'], message: 'Element Plus is reached through web/src/kit.' }] },
      ],
    },
  },
  // A message is no text: whoever puts one into a text without saying it writes [object Object].
  {
    files: ['{core,server,stand-ins}/src/**/*.ts'],
    ignores: ['**/*.test.ts', 'server/src/tests/**'],
    languageOptions: { parserOptions: { projectService: true } },
    rules: { '@typescript-eslint/no-base-to-string': 'error' },
  },
  { files: ['e2e/**/*.ts'], languageOptions: { globals: { ...globals.browser, ...globals.jest } } },
  { files: ['**/*.test.ts'], languageOptions: { globals: { ...globals.jest } } },
  prettier,
)
