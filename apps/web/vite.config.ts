import react from '@vitejs/plugin-react'
import { readFileSync, readdirSync } from 'node:fs'
import { createRequire } from 'node:module'
import { basename, dirname, join } from 'node:path'
import { defineConfig, type Plugin } from 'vite'
import { VitePWA } from 'vite-plugin-pwa'

export default defineConfig({
  plugins: [react(), recogniser(), sampleManuals(), offline()],
  // Fonts stay files of their own: the content-security policy takes no fonts from data addresses.
  build: {
    target: 'es2023',
    // Which file loads which others: `scripts/light.mjs` weighs them.
    manifest: true,
    assetsInlineLimit: 0,
    chunkSizeWarningLimit: 900,
    // What only puts a theme together is left out where nothing uses it.
    rolldownOptions: {
      output: {
        codeSplitting: {
          // Closed lists and their words are wanted by screens that judge nothing: they stand in a file of their own.
          groups: [
            {
              name: 'words',
              test: /(contract[\\/]dist[\\/](lists[\\/]closed-lists|reports[\\/]papers|accounts[\\/]audit-actions)|core[\\/]dist[\\/]sheet[\\/](stages|terms))\.js$/,
            },
          ],
        },
      },
      treeshake: {
        manualPureFunctions: ['defineConfig', 'defineRecipe', 'defineSlotRecipe', 'mergeConfigs'],
      },
    },
  },
  worker: { format: 'es' },
  server: { proxy: { '/api': 'http://127.0.0.1:4180' } },
})

/** The recogniser of print in pictures, under the names by which it asks for its parts; fetched with the first scanned page. */
function recogniser(): Plugin {
  const load = createRequire(import.meta.url)
  const core = dirname(load.resolve('tesseract.js-core/package.json'))
  const data = dirname(load.resolve('@tesseract.js-data/eng/package.json'))
  const files = [
    join(data, '4.0.0_best_int', 'eng.traineddata.gz'),
    ...['relaxedsimd-', 'simd-', ''].map((kind) => join(core, `tesseract-core-${kind}lstm.wasm.js`)),
  ]
  return {
    name: 'recogniser',
    generateBundle() {
      for (const file of files)
        this.emitFile({ type: 'asset', fileName: `recogniser/${basename(file)}`, source: readFileSync(file) })
    },
  }
}

/** Invented manuals to try the reading of manuals with. */
function sampleManuals(): Plugin {
  const folder = join(import.meta.dirname, '..', '..', 'samples', 'manuals')
  return {
    name: 'sample-manuals',
    generateBundle() {
      for (const file of readdirSync(folder).filter((name) => name.endsWith('.pdf')))
        this.emitFile({
          type: 'asset',
          fileName: `samples/${file}`,
          source: readFileSync(join(folder, file)),
        })
    },
  }
}

/** The application without the server: its files are kept on the device, and what was opened last of the data. */
function offline() {
  return VitePWA({
    // A new version is offered, never forced into the middle of work.
    registerType: 'prompt',
    injectRegister: false,
    manifest: {
      name: 'Plumb Mark',
      short_name: 'Plumb Mark',
      description: 'Inspection of PV, battery and meter installations',
      display: 'standalone',
      start_url: '/jobs',
      background_color: '#f3eee3',
      theme_color: '#23527d',
      icons: [
        { src: '/mark.svg', sizes: 'any', type: 'image/svg+xml', purpose: 'any' },
        { src: '/mark-192.png', sizes: '192x192', type: 'image/png' },
        { src: '/mark-512.png', sizes: '512x512', type: 'image/png', purpose: 'any maskable' },
      ],
    },
    workbox: {
      globPatterns: ['**/*.{js,css,html,svg,png,woff2,wasm}'],
      // Megabytes that only the reading of scanned pages wants.
      globIgnores: ['recogniser/**', '**/worker.min-*.js'],
      maximumFileSizeToCacheInBytes: 4_000_000,
      navigateFallback: '/index.html',
      navigateFallbackDenylist: [/^\/api\//, /^\/health/],
      runtimeCaching: [
        {
          // Streams never end: they go past the cache.
          urlPattern: ({ url, request }) =>
            request.method === 'GET' &&
            /^\/api\/(session|jobs|sheets|sheets\/[\w-]+|instruments|visits|people)$/.test(url.pathname),
          handler: 'NetworkFirst',
          options: {
            cacheName: 'plumb-mark-data',
            networkTimeoutSeconds: 4,
            expiration: { maxEntries: 200 },
            cacheableResponse: { statuses: [200] },
          },
        },
        {
          urlPattern: ({ url }) => /^\/api\/jobs\/[\w-]+\/photos\/[\w-]+$/.test(url.pathname),
          handler: 'CacheFirst',
          options: {
            cacheName: 'plumb-mark-photos',
            expiration: { maxEntries: 500 },
            cacheableResponse: { statuses: [200] },
          },
        },
        {
          // Fetched with the first plate or scanned page: from then on it is on the device.
          urlPattern: ({ url }) => /^\/recogniser\/|^\/assets\/worker\.min-/.test(url.pathname),
          handler: 'CacheFirst',
          options: { cacheName: 'plumb-mark-recogniser', cacheableResponse: { statuses: [200] } },
        },
        {
          urlPattern: ({ url }) => /^\/api\/clippings\/[0-9a-f]+$/.test(url.pathname),
          handler: 'CacheFirst',
          options: {
            cacheName: 'plumb-mark-clippings',
            expiration: { maxEntries: 60 },
            cacheableResponse: { statuses: [200] },
          },
        },
      ],
    },
  })
}
