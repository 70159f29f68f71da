import js from '@eslint/js'
import prettier from 'eslint-config-prettier'
import vue from 'eslint-plugin-vue'
import globals from 'globals'
import { defineConfig } from 'eslint/config'
import ts from 'typescript-eslint'

export default defineConfig(
  { ignores: ['dist/', 'node_modules/', 'coverage/', 'docs/', '.dependency-cruiser.cjs'] },
  js.configs.recommended,
  ts.configs.recommendedTypeChecked,
  vue.configs['flat/recommended'],
  {
    files: ['**/*.{ts,vue}'],
    languageOptions: {
      globals: { ...globals.browser, ...globals.node },
      parserOptions: { parser: ts.parser, projectService: true, extraFileExtensions: ['.vue'] },
    },
    rules: {
      '@typescript-eslint/no-unused-vars': ['error', { varsIgnorePattern: '^_', argsIgnorePattern: '^_' }],
      '@typescript-eslint/consistent-type-imports': 'error',
      '@typescript-eslint/require-await': 'off',
      'no-undef': 'off',
      'vue/multi-word-component-names': ['error', { ignores: ['App'] }],
      'max-lines': ['error', { max: 400, skipBlankLines: true, skipComments: true }],
      'max-lines-per-function': ['error', { max: 60, skipBlankLines: true, skipComments: true }],
      'max-params': ['error', { max: 4 }],
      // A bare true among other arguments says nothing: name it, in an object or as a word.
      'no-restricted-syntax': [
        'error',
        {
          selector: ':matches(CallExpression, NewExpression)[arguments.length>1] > Literal[raw=/^(true|false)$/]',
          message: 'Name what is true or false: { isOpen: true }, or a word of two.',
        },
      ],
    },
  },
  {
    files: ['src/core/**/*.ts'],
    ignores: ['**/*.test.ts'],
    rules: {
      'no-restricted-globals': ['error', 'window', 'document', 'process', 'Buffer', 'localStorage', 'navigator'],
      'no-restricted-imports': [
        'error',
        { patterns: ['node:*', 'vue', 'pinia', 'naive-ui', 'three', 'fastify', 'comlink', '@web/*', '@press/*'] },
      ],
    },
  },
  // The recipes of the demos read like sentences: what, of which shape and colour, where, how turned.
  { files: ['demo/**'], rules: { 'max-params': 'off' } },
  // A describe is a chapter, not a function, and the rows of a table of cases are arguments.
  {
    files: ['**/*.test.ts', 'e2e/**', 'tests/support/**'],
    rules: { 'max-lines-per-function': 'off', 'max-params': 'off', 'no-restricted-syntax': 'off' },
  },
  // Checked by the compiler like everything else; what lint would add of types costs two minutes there and finds nothing a test does not.
  {
    files: ['src/**/*.test.ts', 'tests/**', 'bench/**', 'demo/**', 'scripts/**/*.ts'],
    extends: [ts.configs.disableTypeChecked],
    languageOptions: { parserOptions: { projectService: false } },
  },
  { files: ['**/*.{js,mjs,cjs}'], extends: [ts.configs.disableTypeChecked], languageOptions: { globals: globals.node } },
  prettier,
)
