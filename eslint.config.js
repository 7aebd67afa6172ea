import importX from 'eslint-plugin-import-x'
import vue from 'eslint-plugin-vue'
import { createTypeScriptImportResolver } from 'eslint-import-resolver-typescript'
import tseslint from 'typescript-eslint'

/** Dependencies run one way: app, server and bin use core; core uses nobody; app and server never meet. */
const never = (groups, message) => ({ 'no-restricted-imports': ['error', { patterns: [{ group: groups, message }] }] })

export default tseslint.config(
  {
    ignores: [
      '.nuxt/**',
      '.output/**',
      'node_modules/**',
      '.data/**',
      '.cache/**',
      'test-results/**',
      'playwright-report/**',
    ],
  },
  ...tseslint.configs.recommended,
  ...vue.configs['flat/recommended'],
  {
    files: ['**/*.vue'],
    languageOptions: { parserOptions: { parser: tseslint.parser } },
    rules: {
      'vue/multi-word-component-names': 'off',
      'vue/max-attributes-per-line': 'off',
      'vue/singleline-html-element-content-newline': 'off',
      'vue/html-self-closing': 'off',
      'vue/require-default-prop': 'off',
      'vue/attributes-order': 'off',
      'vue/multiline-html-element-content-newline': 'off',
      'vue/html-indent': 'off',
      'vue/first-attribute-linebreak': 'off',
      'vue/html-closing-bracket-newline': 'off',
    },
  },
  {
    plugins: { 'import-x': importX },
    settings: { 'import-x/resolver-next': [createTypeScriptImportResolver({ project: ['tsconfig.core.json'] })] },
    rules: {
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_' }],
      'no-undef': 'off',
      '@typescript-eslint/no-non-null-assertion': 'off',
    },
  },
  { files: ['core/**/*.ts'], rules: { 'import-x/no-cycle': ['error', { ignoreExternal: true }] } },
  {
    files: ['core/**/*.ts'],
    ignores: ['core/**/*.test.ts'],
    rules: never(
      [
        '**/app/**',
        '**/server/**',
        '**/bin/**',
        '**/demo/**',
        '~/**',
        '#imports',
        'vue',
        'nuxt',
        'node:*',
        'pinia',
        '@electric-sql/*',
        'h3',
      ],
      'core is computation alone: no interface, server, file or clock.',
    ),
  },
  {
    files: ['app/**/*.{ts,vue}'],
    rules: never(['**/server/**', '**/bin/**', '~~/server/**', 'node:*'], 'app and server never import each other.'),
  },
  {
    files: ['server/**/*.ts'],
    rules: never(['**/app/**', '~/**', 'vue', 'pinia', '**/bin/**'], 'app and server never import each other.'),
  },
)
