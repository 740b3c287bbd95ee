import accessibility from 'eslint-plugin-jsx-a11y';
import imports from 'eslint-plugin-import';
import hooks from 'eslint-plugin-react-hooks';
import tseslint from 'typescript-eslint';

/** What each room of the front end may not know: the pages are known by nobody, and plain rooms know no interface. */
const rooms = [
    { target: './src/!(features|App*|main*)/**', from: './src/features', message: 'Only pages know pages.' },
    {
        target: './src/{drawing,geometry,notations}/**',
        from: './src/{slate,script,differences,parts,keeping,ui,api}/**',
        message: 'Drawings, geometry and notations are plain.',
    },
    {
        target: './src/ui/**',
        from: './src/{slate,script,differences,parts,keeping,drawing,geometry,notations}/**',
        message: 'What all pages share knows none of them.',
    },
];

export default tseslint.config(
    { ignores: ['dist', 'node_modules', 'src/api/schema.d.ts'] },
    ...tseslint.configs.strict,
    { files: ['src/**/*.tsx'], rules: accessibility.flatConfigs.recommended.rules },
    {
        files: ['**/*.{ts,tsx}'],
        plugins: { 'react-hooks': hooks, import: imports, 'jsx-a11y': accessibility },
        settings: {
            'import/parsers': { '@typescript-eslint/parser': ['.ts', '.tsx'] },
            'import/resolver': { node: { extensions: ['.ts', '.tsx', '.json'] } },
        },
        rules: {
            'react-hooks/rules-of-hooks': 'error',
            'react-hooks/exhaustive-deps': 'error',
            '@typescript-eslint/no-non-null-assertion': 'off',
            // Keys are handled where they bubble to; what is pressed is a button.
            'jsx-a11y/no-static-element-interactions': ['error', { handlers: ['onClick'] }],
            'jsx-a11y/no-noninteractive-element-interactions': ['error', { handlers: ['onClick'] }],
            // Whatever scrolls can be reached, and the slate is an application.
            'jsx-a11y/no-noninteractive-tabindex': [
                'error',
                { tags: ['ul', 'section', 'aside'], roles: ['application'] },
            ],
            // A field that opens because one asked for it has the focus.
            'jsx-a11y/no-autofocus': 'off',
            'import/no-cycle': 'error',
            'import/no-restricted-paths': ['error', { zones: rooms }],
        },
    },
);
