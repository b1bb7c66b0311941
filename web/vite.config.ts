import vue from '@vitejs/plugin-vue'
import { defineConfig } from 'vite'

export default defineConfig({
  plugins: [vue()],
  resolve: { conditions: ['yastik-source', 'module', 'browser', 'development|production', 'default'] },
  build: { target: 'es2022', chunkSizeWarningLimit: 900 },
  server: { proxy: { '/api': { target: 'http://127.0.0.1:4180', changeOrigin: false } } },
})
