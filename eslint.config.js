import js from '@eslint/js'
import prettier from 'eslint-config-prettier/flat'
import vue from 'eslint-plugin-vue'
import globals from 'globals'
import tseslint from 'typescript-eslint'

export default tseslint.config(
  {
    ignores: [
      '**/node_modules/**',
      '**/bin/**',
      '**/obj/**',
      'artifacts/**',
      'src/**',
      'client/src/api/schema.d.ts',
      '**/test-results/**',
    ],
  },
  js.configs.recommended,
  tseslint.configs.strict,
  vue.configs['flat/recommended'],
  {
    files: ['client/src/**/*.{ts,vue}', 'client/tests/**/*.ts'],
    languageOptions: {
      globals: globals.browser,
      parserOptions: { parser: tseslint.parser, extraFileExtensions: ['.vue'], sourceType: 'module' },
    },
    rules: { 'vue/block-lang': ['error', { script: { lang: 'ts' } }] },
  },
  { files: ['client/public/*.js'], languageOptions: { globals: globals.browser } },
  {
    files: ['*.config.js', 'client/*.config.ts', 'client/tests/*.mjs', 'tests/e2e/**/*.{ts,mjs}'],
    languageOptions: { globals: { ...globals.node, ...globals.nodeBuiltin } },
  },
  prettier,
)
