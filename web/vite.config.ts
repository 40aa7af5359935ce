import vue from '@vitejs/plugin-vue'
import { defineConfig } from 'vitest/config'

export default defineConfig({
  plugins: [vue()],
  // The server puts a word that is good once in its place; styles that the controls bring are allowed under it.
  html: { cspNonce: '__NONCE__' },
  server: { proxy: { '/api': 'http://127.0.0.1:8180' } },
  // One browser stand-in for all files: to make one anew takes longer than most of their tests.
  test: { environment: 'happy-dom', isolate: false },
})
