import vue from '@vitejs/plugin-vue'
import { defineConfig } from 'vite'
import { VitePWA } from 'vite-plugin-pwa'

export default defineConfig({
  plugins: [
    vue(),
    // The pages themselves on the device; what the server says is kept by the application (src/offline).
    VitePWA({
      registerType: 'autoUpdate',
      injectRegister: 'script',
      manifest: {
        name: 'Yastik',
        short_name: 'Yastik',
        description: 'Deep cleaning of room air conditioners: looked over, decided, timed and proved.',
        display: 'standalone',
        background_color: '#f3f0e6',
        theme_color: '#f3f0e6',
        icons: [{ src: '/mark.svg', sizes: 'any', type: 'image/svg+xml', purpose: 'any' }],
      },
      workbox: {
        globPatterns: ['**/*.{js,css,html,svg,woff2}'],
        // Tables are taken in by the server: without a signal nobody reads one.
        globIgnores: ['**/table.worker-*.js', '**/typefaces-*.js', '**/unicode-*.js'],
        // Letters of other scripts, for reports: fetched when a name has them, and kept.
        runtimeCaching: [{ urlPattern: /(\.woff|\/(typefaces|unicode)-[^/]*\.js)$/, handler: 'CacheFirst', options: { cacheName: 'letters' } }],
        navigateFallbackDenylist: [/^\/api\//],
      },
    }),
  ],
  resolve: { conditions: ['yastik-source', 'module', 'browser', 'development|production', 'default'] },
  // What a worker needs now and then is fetched then.
  worker: { format: 'es' },
  build: { assetsInlineLimit: (file) => (file.endsWith('.woff') ? false : undefined), target: 'es2022', chunkSizeWarningLimit: 900 },
  server: { proxy: { '/api': { target: 'http://127.0.0.1:4180', changeOrigin: false } } },
})
