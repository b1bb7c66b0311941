// Lint, with the direction of imports: web → core ← server, and inside core only from rooms above.
import js from '@eslint/js'
import prettier from 'eslint-config-prettier'
import { createNodeResolver, importX } from 'eslint-plugin-import-x'
import vue from 'eslint-plugin-vue'
import globals from 'globals'
import ts from 'typescript-eslint'

/** Rooms of the core in the order in which a job passes through them. A room imports from rooms before it, through their door. */
const rooms = [
  'schemas',
  'quantities',
  'words',
  'faults',
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

/** Attributes that are read, on a page or aloud. */
const shownAttributes = [
  'title',
  'label',
  'says',
  'hint',
  'placeholder',
  'aria-label',
  'alt',
  'heading',
  'note',
  'empty',
  'caption',
  'prompt',
  'verb',
]
/** Signs, symbols of units, and names that no language has a word of its own for. */
const sameEverywhere = [
  ...[
    '·',
    '→',
    '←',
    '↑',
    '↓',
    '×',
    '–',
    '—',
    '…',
    '±',
    '≥',
    '≤',
    '(',
    ')',
    ',',
    '.',
    ':',
    ';',
    '?',
    '!',
    '/',
    '%',
    '+',
    '−',
    '°',
    '○',
    '●',
    '┆',
    '=',
    '&',
  ],
  ...['Yastik', 'CSV', 'PDF', 'JSON', 'kg', 'cm', 'mm', 'min', 'h', 'm', 'L', 'kW', 'x', '¤', '▲', 'V', '1', '2', 'A', 'B'],
]
/** Two words with a blank between them are a sentence; selectors, styles, forms of dates, names of browsers' events and what is thrown for programmers are none. */
const sentence =
  '/^(?!\\s*(min|max|calc|var|url|repeat|rotate|translate|scale|data|prefers|\\(|[.#[])|.*(minmax|YYYY|HH:mm|px |ResizeObserver|brush end))[^[]*[a-z’,.:;] [a-zA-Z][^[]*$/'
/** On a server: queries, headers, streams and what goes into the log are none either. */
const serverSentence = sentence.replace(
  'brush end',
  'brush end|\\b(SELECT|FROM|WHERE|JOIN|AND|OR|BY|SET|LIMIT|IN|ON|AS|IS|NOT|NULL|CASE|END|UPDATE|DESC|ASC|MATCH|IF|USE|MAX|COUNT)\\b|charset=|max-age=|filename=|^:',
)
const sentencesBy = (pattern) =>
  [`Literal[value=${pattern}]`, `TemplateElement[value.raw=${pattern}]`].map((what) => ({
    selector: `:not(ThrowStatement > NewExpression, ThrowStatement > NewExpression > TemplateLiteral, NewExpression[callee.name='Error'], NewExpression[callee.name='Error'] > TemplateLiteral, CallExpression[callee.object.name='console'], CallExpression[callee.object.name='console'] > TemplateLiteral, CallExpression[callee.property.name='warn'], CallExpression[callee.property.name='warn'] > TemplateLiteral, ImportDeclaration, ExportNamedDeclaration) > ${what}`,
    message: 'What people read stands in core/src/words: t(…), says(…).',
  }))
/** One word that is a sentence; and a word that stands in a text by a condition. */
const words = ['Literal[value=/^[A-Z][a-z]+\\.$/]', 'TemplateLiteral > ConditionalExpression > Literal[value=/^[ ,;·(]*[A-Za-z]{3,}[.,; )]*$/]'].map(
  (selector) => ({
    selector,
    message: 'What people read stands in core/src/words: t(…).',
  }),
)
const sentences = [...sentencesBy(sentence), ...words]

export default ts.config(
  { ignores: ['**/dist/**', '**/node_modules/**', '.data/**', '.test-data/**', 'docs/**'] },
  js.configs.recommended,
  ...ts.configs.recommended,
  // Components are the interface's alone; on every other file these rules look for what cannot be there, and take their time.
  ...vue.configs['flat/recommended'].map((config) => ({ files: ['web/**/*.{ts,vue}'], ...config })),
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
  // What people read stands in the catalogue of their language: core/src/words.
  {
    files: ['web/src/**/*.{ts,vue}'],
    ignores: ['**/*.test.ts', 'web/src/tests/**', 'web/src/kit/KitPage.vue'],
    rules: {
      'vue/no-bare-strings-in-template': ['error', { attributes: { '/.+/': shownAttributes }, allowlist: sameEverywhere }],
      'vue/no-restricted-syntax': ['error', ...sentences],
      'no-restricted-syntax': ['error', ...sentences],
    },
  },
  // The same on the server, but for statements of the database. Operators read English: the command line, the meters, readiness, and the description of the interface.
  {
    files: ['server/src/**/*.ts'],
    ignores: [
      '**/*.test.ts',
      'server/src/tests/**',
      'server/src/db/migrations.ts',
      'server/src/**/queries.ts',
      'server/src/people/command.ts',
      'server/src/running/{meters,readiness}.ts',
      'server/src/http/openapi.ts',
    ],
    rules: { 'no-restricted-syntax': ['error', ...sentencesBy(serverSentence)] },
  },
  { files: ['e2e/**/*.ts'], languageOptions: { globals: { ...globals.browser, ...globals.jest } } },
  { files: ['**/*.test.ts'], languageOptions: { globals: { ...globals.jest } } },
  prettier,
)
