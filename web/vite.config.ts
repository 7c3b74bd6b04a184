import { fileURLToPath } from 'node:url';
import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';
import { firstView } from './first-view.ts';
import { withoutJsonSchema } from './without-json-schema.ts';
import { VitePWA } from 'vite-plugin-pwa';

/** Shared pieces smaller than this are put to others, before packing. */
const MERGED_BYTES = 7500;

/** Modules of the first view. */
const FIRST = await firstView();

/** The server in front of which the page is worked on. */
const KITCHEN = process.env['MC_API'] ?? 'http://127.0.0.1:4610';

const ROUTER = fileURLToPath(
  new URL('../node_modules/react-router/dist/production/index.mjs', import.meta.url),
);

export default defineConfig(({ mode }) => ({
  plugins: [
    react(),
    withoutJsonSchema(),
    // Keeps the page itself on the device: it opens without the server. What it shows then is kept by the page.
    VitePWA({
      registerType: 'autoUpdate',
      injectRegister: false,
      workbox: {
        globPatterns: ['**/*.{js,css,html,svg,woff,woff2,png}'],
        globIgnores: ['**/*cyrillic*', '**/*vietnamese*', '**/*greek*'],
        navigateFallback: '/index.html',
        navigateFallbackDenylist: [/^\/api\//],
        maximumFileSizeToCacheInBytes: 4 * 1024 * 1024,
        cleanupOutdatedCaches: true,
        importScripts: ['/notice-taps.js'],
        sourcemap: false,
      },
      manifest: {
        name: 'Morning Crock',
        short_name: 'Morning Crock',
        description: 'A working companion for people who make yogurt by hand',
        start_url: '/',
        display: 'standalone',
        background_color: '#EAE9E4',
        theme_color: '#1F3F73',
        icons: [
          { src: '/crock-192.png', sizes: '192x192', type: 'image/png' },
          { src: '/crock-512.png', sizes: '512x512', type: 'image/png' },
          { src: '/crock.svg', sizes: 'any', type: 'image/svg+xml' },
        ],
      },
    }),
  ],
  // The router's entry is its development build in either mode; what it warns a programmer of is no use to a maker.
  resolve: {
    alias: mode === 'production' ? [{ find: /^react-router$/, replacement: ROUTER }] : [],
  },
  worker: { format: 'es' },
  build: {
    target: 'es2022',
    // Every browser that reads this syntax preloads modules by itself.
    modulePreload: { polyfill: false },
    chunkSizeWarningLimit: 1000,
    rolldownOptions: {
      // A constant costs less where it is used than the name it would be imported by.
      optimization: { inlineConst: { mode: 'all', pass: 2 } },
      output: {
        // A shared piece would be named after every place that shares it, and the first view carries all those names.
        chunkFileNames: 'assets/[hash].js',
        // Small pieces that several places share are put together: each request costs a tablet, and the kitchen's computer, more
        // than the few kilobytes it carries.
        codeSplitting: {
          groups: [
            // The first view is drawn from pictures that the worker makes: neither schemas nor models are part of it.
            { name: 'first', priority: 1, test: (id) => FIRST.has(id) },
            // Its modules know each other in rings: put to different pieces, one would be used before it is there.
            {
              name: 'fields',
              priority: 0.5,
              test: (id) => !FIRST.has(id) && /node_modules\/@(mantine|floating-ui)\//.test(id),
            },
            { name: 'part', minShareCount: 2, entriesAware: true, entriesAwareMergeThreshold: MERGED_BYTES },
          ],
        },
      },
    },
  },
  // The kitchen takes entries from its own pages alone: while it is worked on, this is one.
  server: { proxy: { '/api': { target: KITCHEN, changeOrigin: true, headers: { origin: KITCHEN } } } },
}));
