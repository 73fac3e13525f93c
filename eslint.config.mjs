import next from 'eslint-config-next';
import nextTypescript from 'eslint-config-next/typescript';
import prettier from 'eslint-config-prettier';

const config = [
  { ignores: ['.next/**', '.data/**', 'node_modules/**', 'next-env.d.ts', 'test-results/**'] },
  ...(Array.isArray(next) ? next : [next]),
  ...(Array.isArray(nextTypescript) ? nextTypescript : [nextTypescript]),
  prettier,
  {
    rules: {
      'no-console': ['error', { allow: ['warn'] }],
      '@typescript-eslint/no-unused-vars': [
        'error',
        { ignoreRestSiblings: true, varsIgnorePattern: '^_' },
      ],
      /* Names come from files and people: they are text, never markup. */
      'no-restricted-syntax': [
        'error',
        {
          selector: "JSXAttribute[name.name='dangerouslySetInnerHTML']",
          message: 'Write text, not HTML.',
        },
        {
          selector: 'MemberExpression[property.name=/^(innerHTML|outerHTML|insertAdjacentHTML)$/]',
          message: 'Write text, not HTML.',
        },
      ],
      'no-restricted-imports': [
        'error',
        { paths: [{ name: 'next/link', message: 'Use ui/link: it asks for nothing beforehand.' }] },
      ],
      'no-duplicate-imports': ['error', { allowSeparateTypeImports: true }],
      eqeqeq: ['error', 'always', { null: 'ignore' }],
      'max-lines': ['error', { max: 300, skipBlankLines: true, skipComments: true }],
    },
  },
  { files: ['**/*.test.ts', 'e2e/**'], rules: { 'max-lines': 'off' } },
  {
    files: ['src/ui/link.tsx', 'src/ui/link-pending.tsx'],
    rules: { 'no-restricted-imports': 'off' },
  },
  { files: ['scripts/**', 'e2e/**', 'tests/**', 'src/devices/**'], rules: { 'no-console': 'off' } },
];

export default config;
