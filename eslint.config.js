import reactHooks from 'eslint-plugin-react-hooks';
import tseslint from 'typescript-eslint';

export default tseslint.config(
  { ignores: ['build/', 'node_modules/', '.react-router/', '.local/', '**/*.generated.*'] },
  ...tseslint.configs.recommendedTypeChecked,
  {
    languageOptions: {
      parserOptions: {
        projectService: { allowDefaultProject: ['*.js', '*.cjs'] },
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
    files: ['app/**/*.{ts,tsx}', 'server/**/*.ts'],
    ignores: ['server/read-body.ts'],
    rules: {
      'no-restricted-syntax': [
        'error',
        {
          selector:
            "CallExpression[callee.object.name='request'][callee.property.name=/^(formData|json|text|blob|arrayBuffer|bytes)$/]",
          message: 'bodies are read by coachForm, personForm or readForm, each with a limit',
        },
      ],
    },
  },
  { files: ['**/*.test.ts'], rules: { '@typescript-eslint/no-unsafe-assignment': 'off' } },
  { files: ['**/*.js', '**/*.cjs'], ...tseslint.configs.disableTypeChecked },
);
