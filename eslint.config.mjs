import { existsSync, readdirSync } from 'node:fs';
import next from 'eslint-config-next/core-web-vitals';
import typescript from 'eslint-config-next/typescript';
import importX from 'eslint-plugin-import-x';
import { createTypeScriptImportResolver } from 'eslint-import-resolver-typescript';

/** Folders of core/methods that hold a method, by the name it goes under. */
const METHOD_IDS = readdirSync('core/methods', { withFileTypes: true })
  .filter((entry) => entry.isDirectory() && existsSync(`core/methods/${entry.name}/method.ts`))
  .map(({ name }) => name);

/** Who may import whom: app -> ui, server; ui -> core, workers; server -> core, exchange, db, stand-ins; exchange -> core; core -> nothing of ours. */
const LAYERS = ['app', 'ui', 'server', 'db', 'exchange', 'stand-ins', 'workers', 'demo', 'ops', 'core'];
const MAY = {
  core: [],
  exchange: ['core'],
  'stand-ins': ['core', 'exchange'],
  db: ['core'],
  workers: ['core'],
  ui: ['core', 'workers'],
  server: ['core', 'exchange', 'db', 'stand-ins'],
  demo: ['server', 'core'],
  // Routes read core's words and units when they write a page; the database is opened once, beside the session.
  app: ['ui', 'server', 'core'],
};

const zones = Object.entries(MAY).flatMap(([layer, may]) =>
  LAYERS.filter((other) => other !== layer && !may.includes(other)).map((other) => ({
    target: `./${layer}`,
    from: `./${other}`,
    // The services are put together in one place of app.
    ...(layer === 'app' && ['db', 'stand-ins'].includes(other)
      ? { target: ['./app/!(_http)/**/*', './app/*.{ts,tsx}'] }
      : {}),
    message: `${layer}/ may import ${may.length === 0 ? 'nothing of ours' : `only ${may.join(', ')}`}; see docs/architecture.md.`,
  })),
);

/** The rooms of a floor in the order people work: what all stand on first. A room may import those before it. */
const WORK = ['plan', 'teach', 'score', 'aftercare', 'follow-up', 'findings'];
const ROOMS = {
  core: ['units', 'chance', 'statistics', 'codes', 'inputs', 'contact', 'drawing', 'methods', 'club', ...WORK],
  server: ['platform', 'jobs', 'club', ...WORK],
  ui: ['kit', 'club', ...WORK],
};

const roomZones = Object.entries(ROOMS).flatMap(([floor, rooms]) =>
  rooms.flatMap((room, i) =>
    rooms.slice(i + 1).map((later) => ({
      target: `./${floor}/${room}`,
      from: `./${floor}/${later}`,
      message: `${floor}/${later} comes after ${floor}/${room}: hand its values in; see docs/architecture.md.`,
    })),
  ),
);

const colours = {
  selector: 'Literal[value=/^#([0-9a-fA-F]{3}){1,2}$/]',
  message: 'Name the colour in core/drawing/colours.ts and app/globals.css.',
};

const namedMethods = METHOD_IDS.map((id) => ({
  selector: `Literal[value='${id}']`,
  message: 'Ask the registry instead of naming a method.',
}));

/** Yup's own trim, lowercase and uppercase fail on an input that is no text, instead of refusing it. */
const textInputs = [
  {
    selector:
      "CallExpression[callee.property.name=/^(trim|lowercase|uppercase)$/] > MemberExpression > CallExpression[callee.name='string']",
    message: 'Use `trimmed` of server/fields.',
  },
];

const config = [
  { ignores: ['node_modules/', '.next/', '.next-check/', '.data/', '.check/', 'next-env.d.ts'] },
  ...next,
  ...typescript,
  {
    plugins: { 'import-x': importX },
    settings: {
      'import-x/extensions': ['.ts', '.tsx'],
      'import-x/parsers': { '@typescript-eslint/parser': ['.ts', '.tsx'] },
      'import-x/resolver-next': [createTypeScriptImportResolver({ project: 'tsconfig.json' })],
    },
    rules: {
      'import-x/no-restricted-paths': ['error', { zones }],
      // Our pictures are drawings in files of their own: there is nothing to make smaller.
      '@next/next/no-img-element': 'off',
      '@typescript-eslint/no-explicit-any': 'error',
      // oxlint looks for it, in a tenth of the time.
      '@typescript-eslint/no-unused-vars': 'off',
    },
  },
  {
    // A test may look ahead; what it tests may not.
    files: ['**/*.ts', '**/*.tsx'],
    ignores: ['**/*.test.ts', '**/*.test.tsx'],
    rules: { 'import-x/no-restricted-paths': ['error', { zones: [...zones, ...roomZones] }] },
  },
  {
    // Rules that need types, and the search for import cycles, are in .oxlintrc.json: oxlint runs them far faster.
    files: ['**/*.ts', '**/*.tsx'],
    rules: {
      // What is only a type says so: such an import is gone when it runs.
      '@typescript-eslint/consistent-type-imports': ['error', { fixStyle: 'inline-type-imports' }],
      '@typescript-eslint/no-import-type-side-effects': 'error',
      // Names that say nothing of what they hold.
      'id-denylist': ['error', 'of', 'one', 'given'],
    },
  },
  {
    // There is no React in these, and looking for it takes a quarter of the linter's time.
    files: ['{core,db,demo,exchange,ops,server,stand-ins,workers,bench,e2e,app}/**/*.ts', '**/*.test.{ts,tsx}'],
    rules: Object.fromEntries(
      [...next, ...typescript]
        .flatMap(({ rules = {} }) => Object.keys(rules))
        .filter((rule) => /^(react|react-hooks|jsx-a11y|@next\/next)\//.test(rule))
        .map((rule) => [rule, 'off']),
    ),
  },
  {
    // What does not fit here is more than one thing.
    files: ['{app,core,db,demo,exchange,ops,server,stand-ins,ui,workers}/**/*.{ts,tsx}'],
    ignores: ['**/*.test.ts', '**/*.test.tsx'],
    rules: { 'max-lines-per-function': ['error', 80], 'max-lines': ['error', 300] },
  },
  {
    // core: no interface, no database, no clock and no chance of its own.
    files: ['core/**/*.ts'],
    ignores: ['core/**/*.test.ts'],
    rules: {
      'no-restricted-imports': [
        'error',
        { patterns: ['react*', 'next*', 'sequelize*', 'mariadb*', 'echarts*', 'radix-ui*'] },
      ],
      'no-restricted-globals': ['error', 'window', 'document', 'localStorage', 'sessionStorage', 'fetch'],
      'no-restricted-syntax': [
        'error',
        {
          selector: "CallExpression[callee.object.name='Date'][callee.property.name='now']",
          message: 'Pass the time in.',
        },
        { selector: "NewExpression[callee.name='Date'][arguments.length=0]", message: 'Pass the time in.' },
        {
          selector: "CallExpression[callee.object.name='Math'][callee.property.name='random']",
          message: 'Pass chance in.',
        },
      ],
    },
  },
  {
    // Only core/methods, demo and tests may name a method.
    files: ['app/**/*.{ts,tsx}', 'ui/**/*.{ts,tsx}', 'server/**/*.ts', 'exchange/**/*.ts', 'db/**/*.ts'],
    ignores: ['**/*.test.ts', '**/*.test.tsx'],
    rules: { 'no-restricted-syntax': ['error', ...namedMethods, ...textInputs, colours] },
  },
  {
    // Pages that are written once and never changed in the browser: nothing is told apart by keys, and Next has no head of theirs.
    files: ['ui/follow-up/grower/**/*.tsx'],
    rules: { 'react/jsx-key': 'off', '@next/next/no-head-element': 'off' },
  },
];

export default config;
