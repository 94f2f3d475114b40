import tseslint from 'typescript-eslint';
import angular from 'angular-eslint';

/** Every spec runs, always. */
const NO_FOCUS = {
  selector: 'CallExpression[callee.name=/^(fdescribe|fit|xdescribe|xit)$/]',
  message: 'No focused or skipped tests.',
};
/** Parts of the kit that a native element may carry: `<button yo-act>`. */
const KIT = { button: ['yo-act', 'yo-opens', 'yo-pick'], input: [], select: [], textarea: [], table: [], dialog: [] };
/**
 * Controls come from the kit (`web/src/ui`): a bare one has neither its look nor what it is for keyboard and screen
 * reader.
 */
const fromTheKit = {
  meta: { type: 'problem', schema: [], messages: { bare: '<{{name}}> stands bare: use the kit (web/src/ui).' } },
  create: (context) => ({
    Element(node) {
      const parts = KIT[node.name];
      if (!parts || node.attributes.some((one) => parts.includes(one.name))) return;
      const at = (place) => ({ line: place.line + 1, column: place.col });
      context.report({
        messageId: 'bare',
        data: { name: node.name },
        loc: { start: at(node.sourceSpan.start), end: at(node.sourceSpan.end) },
      });
    },
  }),
};

export default tseslint.config(
  {
    ignores: [
      '**/dist/**',
      '**/node_modules/**',
      '.build/**',
      '.data/**',
      '**/.angular/**',
      'server/migrations/**',
      'tools/**',
      '**/*.cjs',
      '**/*.mjs',
    ],
  },
  ...tseslint.configs.recommended,
  {
    // The computation is synchronous; so no promise can be forgotten in it, and it is linted without its types, in half
    // the time.
    files: ['core/**/*.ts', 'demo/**/*.ts'],
    rules: {
      'no-restricted-syntax': [
        'error',
        NO_FOCUS,
        ...[
          'FunctionDeclaration[async=true]',
          'FunctionExpression[async=true]',
          'ArrowFunctionExpression[async=true]',
          'Identifier[name="Promise"]',
        ].map((selector) => ({
          selector,
          message: 'Nothing in the core waits: what does is the business of who calls it.',
        })),
      ],
    },
  },
  {
    files: ['**/*.ts'],
    ignores: ['core/**', 'demo/**'],
    // One program for all of them: as projects they would be several, that of the web twice.
    languageOptions: { parserOptions: { project: 'tsconfig.lint.json', tsconfigRootDir: import.meta.dirname } },
    rules: { '@typescript-eslint/no-floating-promises': 'error', 'no-restricted-syntax': ['error', NO_FOCUS] },
  },
  {
    files: ['**/*.ts'],
    rules: {
      '@typescript-eslint/no-unused-vars': [
        'error',
        { argsIgnorePattern: '^_', varsIgnorePattern: '^_', destructuredArrayIgnorePattern: '^_' },
      ],
      '@typescript-eslint/no-redeclare': 'off',
      '@typescript-eslint/no-explicit-any': 'error',
      '@typescript-eslint/ban-ts-comment': 'error',
      'max-lines': ['error', 400],
      // A variable is named after the thing that it holds.
      'id-denylist': ['error', 'one'],
      // The formatter keeps lines short; it cannot break a text.
      'max-len': [
        'error',
        { code: 120, ignoreUrls: true, ignoreStrings: true, ignoreTemplateLiterals: true, ignoreRegExpLiterals: true },
      ],
    },
  },
  {
    files: ['web/src/**/*.ts'],
    extends: [...angular.configs.tsRecommended],
    processor: angular.processInlineTemplates,
    rules: {
      '@angular-eslint/component-selector': [
        'error',
        { type: ['element', 'attribute'], prefix: 'yo', style: 'kebab-case' },
      ],
      '@angular-eslint/component-class-suffix': 'off',
    },
  },
  {
    files: ['web/src/**/*.html'],
    extends: [...angular.configs.templateRecommended, ...angular.configs.templateAccessibility],
    rules: {
      '@angular-eslint/template/click-events-have-key-events': 'off',
      '@angular-eslint/template/interactive-supports-focus': 'off',
      '@angular-eslint/template/label-has-associated-control': 'off',
    },
  },
  {
    files: ['web/src/**/*.html'],
    ignores: ['web/src/ui/**'],
    plugins: { yohaku: { rules: { 'from-the-kit': fromTheKit } } },
    rules: { 'yohaku/from-the-kit': 'error' },
  },
  {
    files: ['web/src/**/*.ts'],
    ignores: ['web/src/ui/**', '**/*.spec.ts'],
    rules: {
      'no-restricted-properties': [
        'error',
        { property: 'setPointerCapture', message: 'What is pulled is pulled by the kit: yoPull.' },
      ],
    },
  },
);
