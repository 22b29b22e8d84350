import js from '@eslint/js'
import globals from 'globals'
import a11y from 'eslint-plugin-jsx-a11y'
import hooks from 'eslint-plugin-react-hooks'
import ts from 'typescript-eslint'

/** A folder imports from those before it, never from those after it. */
const FOLDERS = ['language', 'api', 'design', 'queue', 'pictures', 'views', 'app']

const direction = FOLDERS.map((folder, place) => ({
  files: [`src/${folder}/**/*.{ts,tsx}`],
  rules: {
    'no-restricted-imports': [
      'error',
      {
        patterns: FOLDERS.slice(place + 1).map((later) => ({
          group: [`**/${later}/*`, `**/${later}`],
          message: `${folder}/ comes before ${later}/: hand it in, or move what both need.`,
        })),
      },
    ],
  },
}))

export default ts.config(
  { ignores: ['dist', 'src/api/*.generated.ts'] },
  js.configs.recommended,
  hooks.configs.flat['recommended-latest'],
  {
    files: ['src/**/*.{ts,tsx}', 'vite.config.ts'],
    extends: [...ts.configs.strict, ...ts.configs.recommendedTypeChecked, a11y.flatConfigs.recommended],
    rules: {
      'jsx-a11y/label-has-associated-control': ['error', { controlComponents: ['Pick'], depth: 3 }],
      'no-restricted-syntax': [
        'error',
        {
          selector: "JSXAttribute[name.name='aria-pressed'] BinaryExpression[operator='===']",
          message: 'One of several is a Choice: one stop of the tab key, and said as a choice.',
        },
        {
          selector: 'Property[key.name=/^(word|words|label|placeholder|ask|does)$/] > Literal[value=/[a-z]{3}/]',
          message: 'A text that somebody reads is a t`…`, so that another language has it too.',
        },
        {
          selector: "Property[key.name='id'] > TaggedTemplateExpression[tag.name='t']",
          message: 'An id is the same in every language.',
        },
      ],
    },
    languageOptions: {
      globals: globals.browser,
      parserOptions: { projectService: true, tsconfigRootDir: import.meta.dirname },
    },
  },
  ...direction,
)
