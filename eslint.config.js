import js from '@eslint/js'
import hooks from 'eslint-plugin-react-hooks'
import tseslint from 'typescript-eslint'

export default tseslint.config(
  {
    ignores: [
      '.next/',
      'node_modules/',
      'next-env.d.ts',
      '.dependency-cruiser.cjs',
      'playwright-report/',
      'test-results/',
      'src/core/json/standalone.generated.js',
    ],
  },
  js.configs.recommended,
  ...tseslint.configs.recommendedTypeChecked,
  {
    languageOptions: {
      parserOptions: {
        projectService: { allowDefaultProject: ['*.js', '*.mjs'] },
        tsconfigRootDir: import.meta.dirname,
      },
    },
    rules: {
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      '@typescript-eslint/no-explicit-any': 'error',
      '@typescript-eslint/switch-exhaustiveness-check': 'error',
      '@typescript-eslint/no-floating-promises': 'error',
      '@typescript-eslint/consistent-type-imports': 'error',
      '@typescript-eslint/restrict-template-expressions': ['error', { allowNumber: true }],
      '@typescript-eslint/no-misused-promises': ['error', { checksVoidReturn: { attributes: false } }],
      'no-restricted-syntax': [
        'error',
        {
          selector: "CallExpression[callee.property.name='waitForTimeout']",
          message: 'wait for what you need to see, not for time',
        },
      ],
    },
  },
  {
    files: ['src/**/*.ts', 'src/**/*.tsx'],
    ignores: ['**/*.test.ts', '**/*.test.tsx'],
    rules: { 'max-lines-per-function': ['error', { max: 100 }] },
  },
  {
    // A kind of rule is one file. What others want of it is a hook of its kind, a line in a table by kind, or the field they use.
    files: ['src/**/*.ts', 'src/**/*.tsx'],
    ignores: ['src/core/rules/**', '**/*.test.ts', '**/*.test.tsx', 'src/testing/**'],
    rules: {
      'no-restricted-syntax': [
        'error',
        ...['BinaryExpression', 'SwitchCase'].map((where) => ({
          selector: `${where} > Literal[value=/^(ramp|differential|rapid-rise|week|cycle|hold-after-fall|purge)$/]`,
          message: 'ask the kind of the rule (src/core/rules/kind.ts), or the field that is used',
        })),
        {
          selector:
            "BinaryExpression:has(MemberExpression[object.name=/[rR]ule|held|candidate/][property.name='kind']) > Literal[value='switch']",
          message: 'ask the kind of the rule (src/core/rules/kind.ts), or the field that is used',
        },
      ],
    },
  },
  {
    files: ['src/ui/**', 'src/features/**', 'src/app/**'],
    plugins: { 'react-hooks': hooks },
    rules: { 'react-hooks/rules-of-hooks': 'error', 'react-hooks/exhaustive-deps': 'error' },
  },
  { files: ['**/*.js', '**/*.mjs'], ...tseslint.configs.disableTypeChecked },
)
