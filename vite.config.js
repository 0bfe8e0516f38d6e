import laravel from 'laravel-vite-plugin';
import { defineConfig } from 'vite';

export default defineConfig({
    plugins: [laravel({ input: ['resources/scss/app.scss', 'resources/js/app.js'] })],
    build: {
        // The content policy takes files of our own only, no data: addresses for fonts.
        assetsInlineLimit: 0,
    },
    css: {
        preprocessorOptions: {
            scss: { quietDeps: true, silenceDeprecations: ['import', 'global-builtin', 'color-functions', 'if-function'] },
        },
    },
});
