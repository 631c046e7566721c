import reactHooks from 'eslint-plugin-react-hooks';
import regexp from 'eslint-plugin-regexp';
import tseslint from 'typescript-eslint';

const BODIES = {
  selector:
    "CallExpression[callee.object.name='request'][callee.property.name=/^(formData|json|text|blob|arrayBuffer|bytes)$/]",
  message: 'bodies are read by coachForm, personForm or readForm, each with a limit',
};
/** A clock's kind is asked for in core/forms alone: everything else asks the form. */
const CLOCK_KINDS = ['object.name', 'object.property.name'].map((where) => ({
  selector: `MemberExpression[property.name='kind'][${where}='time']`,
  message: 'ask the form: formOf(time), see core/forms/form.ts',
}));

/** Lists of words and figures, and tests of one matter: they are read line by line, however long. */
const LISTS = [
  'core/movement/library/**',
  'core/movement/name/{lexicon,modifiers,trade-names-fixture,further-names-fixture}.ts',
  'core/notation/arbitrary-document.ts',
  'tests/**',
  'core/movement/library.test.ts',
];
/** Servers and measurements that are put together once, from top to bottom: a reader follows them in that order. */
const PUT_TOGETHER = [
  'app/participant/clock/use-running-clock.ts',
  'app/plan/use-plan.ts',
  'app/write/editor/notation-editor-view.ts',
  'bin/tools/bench*.ts',
  'demo/seed.ts',
  'server/http/listen.ts',
  'server/jobs/worker.ts',
  'stand-in/server.ts',
];
/** Grown too long, and still to be taken apart. Nothing is added here. */
const TOO_LONG = [
  'app/follow-up/{follow-up,next,person}.tsx',
  'app/movements/movements.tsx',
  'app/participant/{doors/join,log/log}.tsx',
  'app/people/people.tsx',
  'app/plan/{day-panel,dialogs/blocked-dialog,grid/plan-grid,track/lever-row,track/track-rail}.tsx',
  'app/send/{run,send}.tsx',
  'app/write/{writer,cards/block-card,cards/session-cards}.tsx',
  'core/notation/{parse,read-item}.ts',
  'core/progress/edit/apply-programme-edit.ts',
  'core/session/findings/session-findings.ts',
  'db/queries/{person,record,messages/release}.ts',
  'server/follow-up/{attention-acts,proposals}.ts',
];
/** A route only says who asks and what is answered; what is between stands in server, by the room's name. */
const SHORT_ROUTES = {
  rules: {
    short: {
      create: (context) => ({
        'FunctionDeclaration[id.name=/^(loader|action)$/]'(node) {
          const lines = node.loc.end.line - node.loc.start.line + 1;
          if (lines > 30) context.report({ node, message: `${node.id.name} has ${lines} lines, of at most 30` });
        },
      }),
    },
  },
};
const inFunction = (max) => ({
  'max-lines-per-function': ['error', { max, skipBlankLines: true, skipComments: true }],
});

export default tseslint.config(
  { ignores: ['build/', 'node_modules/', '.react-router/', '.local/', '**/*.generated.*'] },
  ...tseslint.configs.recommendedTypeChecked,
  {
    languageOptions: {
      parserOptions: {
        projectService: { allowDefaultProject: ['*.js', '.*.mjs', 'server/paper/*.mjs'] },
        tsconfigRootDir: import.meta.dirname,
      },
    },
    rules: {
      '@typescript-eslint/consistent-type-imports': ['error', { disallowTypeAnnotations: false }],
      '@typescript-eslint/require-await': 'off',
      '@typescript-eslint/no-unused-vars': [
        'error',
        { varsIgnorePattern: '^_', argsIgnorePattern: '^_', destructuredArrayIgnorePattern: '^_' },
      ],
      '@typescript-eslint/switch-exhaustiveness-check': ['error', { considerDefaultExhaustiveForUnions: true }],
      '@typescript-eslint/only-throw-error': 'off', // The router's redirects and responses are thrown.
      '@typescript-eslint/restrict-template-expressions': ['error', { allowNumber: true }],
      'no-console': 'error',
      eqeqeq: 'error',
    },
  },
  {
    // What is read from outside is read in linear time.
    plugins: { regexp },
    rules: {
      'regexp/no-super-linear-backtracking': ['error', { report: 'certain' }],
    },
  },
  // Lines that were pasted are cut at 400 letters before anything looks at them.
  { files: ['core/notation/own-words/**/*.ts'], rules: { 'regexp/no-super-linear-backtracking': 'off' } },
  { files: ['app/**/*.{ts,tsx}'], plugins: { 'react-hooks': reactHooks }, rules: reactHooks.configs.recommended.rules },
  {
    files: ['core/**/*.ts'],
    ignores: ['**/*.test.ts'],
    rules: {
      'no-restricted-properties': [
        'error',
        { object: 'Date', property: 'now', message: 'core is given the time' },
        { object: 'Math', property: 'random', message: 'core is given a generator' },
      ],
      'no-restricted-globals': ['error', 'fetch', 'process', 'window', 'document', 'localStorage'],
    },
  },
  {
    files: ['server/**/*.ts'],
    ignores: ['server/http/read-body.ts'],
    rules: { 'no-restricted-syntax': ['error', BODIES] },
  },
  {
    files: ['app/**/*.{ts,tsx}'],
    plugins: { routes: SHORT_ROUTES },
    rules: { 'no-restricted-syntax': ['error', BODIES, ...CLOCK_KINDS], 'routes/short': 'error' },
  },
  {
    files: ['core/**/*.ts', 'demo/**/*.ts', 'db/**/*.ts'],
    // What is said of a clock becomes a rule of time in own-words: there each is made, not asked.
    ignores: [
      'core/forms/**',
      'core/document/upgrade.ts',
      'core/notation/own-words/**',
      '**/*.test.ts',
      '**/arbitrary-*.ts',
    ],
    rules: { 'no-restricted-syntax': ['error', ...CLOCK_KINDS] },
  },
  { files: ['**/*.ts'], ignores: ['**/*.test.ts', ...LISTS, ...PUT_TOGETHER, ...TOO_LONG], rules: inFunction(80) },
  { files: ['**/*.tsx'], ignores: ['**/*.test.tsx', ...TOO_LONG], rules: inFunction(150) },
  {
    ignores: [...LISTS, ...PUT_TOGETHER, ...TOO_LONG],
    files: ['**/*.{ts,tsx}'],
    rules: { 'max-lines': ['error', 400] },
  },
  {
    // What a route answers is looked into as it comes.
    files: ['**/*.test.ts'],
    rules: Object.fromEntries(
      ['assignment', 'member-access', 'call', 'return'].map((of) => [`@typescript-eslint/no-unsafe-${of}`, 'off']),
    ),
  },
  { files: ['**/*.js', '.*.mjs'], ...tseslint.configs.disableTypeChecked },
);
