import prettier from 'eslint-config-prettier'
import vue from 'eslint-plugin-vue'
import tseslint from 'typescript-eslint'

/** What may import what is .dependency-cruiser.cjs; how it is laid out is Prettier's. */
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
      '.dependency-cruiser.cjs',
    ],
  },
  ...tseslint.configs.recommended,
  ...vue.configs['flat/recommended'],
  {
    files: ['**/*.vue'],
    languageOptions: { parserOptions: { parser: tseslint.parser } },
    rules: {
      'vue/multi-word-component-names': 'off',
      'vue/require-default-prop': 'off',
      'vue/attributes-order': 'off',
    },
  },
  {
    rules: {
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_' }],
      'no-undef': 'off',
      '@typescript-eslint/no-non-null-assertion': 'off',
      // A file over this is two things.
      'max-lines': ['error', { max: 250, skipBlankLines: true, skipComments: true }],
    },
  },
  // A station's whole work in a browser, a machine's whole range of cases.
  {
    files: ['**/*.{test,spec}.ts'],
    rules: { 'max-lines': ['error', { max: 320, skipBlankLines: true, skipComments: true }] },
  },
  prettier,
)
