import react from '@vitejs/plugin-react'
import { defineConfig } from 'vite'

export default defineConfig({
  plugins: [react()],
  // Fonts stay files of their own: the content-security policy takes no fonts from data addresses.
  build: { target: 'es2023', assetsInlineLimit: 0, chunkSizeWarningLimit: 900 },
  worker: { format: 'es' },
  server: { proxy: { '/api': 'http://127.0.0.1:4180' } },
})
