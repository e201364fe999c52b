import js from '@eslint/js';
import hooks from 'eslint-plugin-react-hooks';
import ts from 'typescript-eslint';

const nodeGlobals = Object.fromEntries(
  [
    'process',
    'console',
    'setTimeout',
    'clearTimeout',
    'globalThis',
    'URL',
    'Buffer',
    'fetch',
    'AbortSignal',
    'performance',
  ].map((n) => [n, 'readonly']),
);

export default ts.config(
  { ignores: ['dist', 'node_modules', '.data', 'core/knots/shelf/*/baked.ts', '.dependency-cruiser.cjs'] },
  js.configs.recommended,
  ts.configs.recommendedTypeChecked,
  { languageOptions: { parserOptions: { projectService: true, tsconfigRootDir: import.meta.dirname } } },
  {
    rules: {
      '@typescript-eslint/no-misused-promises': ['error', { checksVoidReturn: { attributes: false } }],
      '@typescript-eslint/restrict-template-expressions': ['error', { allowNumber: true, allowBoolean: true }],
      '@typescript-eslint/only-throw-error': 'error',
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      // takes assertions away that give a narrow initial state its type
      '@typescript-eslint/no-unnecessary-type-assertion': 'off',
      // control characters are what that expression looks for
      'no-control-regex': 'off',
    },
  },
  { files: ['web/**'], ...hooks.configs.flat.recommended },
  {
    files: ['**/*.js', '**/*.mjs'],
    ...ts.configs.disableTypeChecked,
    languageOptions: { ...ts.configs.disableTypeChecked.languageOptions, globals: nodeGlobals },
  },
);
