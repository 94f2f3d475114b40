import tseslint from 'typescript-eslint';
import angular from 'angular-eslint';

export default tseslint.config(
  { ignores: ['**/dist/**', '**/node_modules/**', '.build/**', '.data/**', '**/.angular/**', 'server/migrations/**', 'tools/**', '**/*.cjs', '**/*.mjs'] },
  ...tseslint.configs.recommended,
  {
    files: ['**/*.ts'],
    languageOptions: { parserOptions: { projectService: { allowDefaultProject: ['server/drizzle.config.ts'] }, tsconfigRootDir: import.meta.dirname } },
    rules: {
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_', destructuredArrayIgnorePattern: '^_' }],
      '@typescript-eslint/no-redeclare': 'off',
      '@typescript-eslint/no-floating-promises': 'error',
      '@typescript-eslint/no-explicit-any': 'error',
      '@typescript-eslint/ban-ts-comment': 'error',
      'max-lines': ['error', 400],
      'no-restricted-syntax': ['error', { selector: "CallExpression[callee.name=/^(fdescribe|fit|xdescribe|xit)$/]", message: 'No focused or skipped tests.' }],
    },
  },
  { files: ['web/src/**/*.ts'], extends: [...angular.configs.tsRecommended], rules: { '@angular-eslint/component-selector': ['error', { type: 'element', prefix: 'yo', style: 'kebab-case' }], '@angular-eslint/component-class-suffix': 'off' } },
  { files: ['web/src/**/*.html'], extends: [...angular.configs.templateRecommended, ...angular.configs.templateAccessibility], rules: { '@angular-eslint/template/click-events-have-key-events': 'off', '@angular-eslint/template/interactive-supports-focus': 'off', '@angular-eslint/template/label-has-associated-control': 'off' } },
);
