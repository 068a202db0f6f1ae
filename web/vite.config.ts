import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';
import { VitePWA } from 'vite-plugin-pwa';

export default defineConfig({
  root: import.meta.dirname,
  plugins: [
    react(),
    VitePWA({
      // A new version waits until the last page of the old one is closed: nothing reloads under a child's minute.
      registerType: 'prompt',
      injectRegister: false,
      manifest: {
        name: 'Veldrift',
        short_name: 'Veldrift',
        description: 'Number facts, timed and kept.',
        display: 'standalone',
        background_color: '#f6f0e4',
        theme_color: '#f6f0e4',
        icons: [{ src: '/icon.svg', sizes: 'any', type: 'image/svg+xml' }],
      },
      workbox: {
        globPatterns: ['**/*.{js,css,html,svg,woff2,webmanifest}'],
        maximumFileSizeToCacheInBytes: 5_000_000,
        navigateFallback: '/index.html',
        navigateFallbackDenylist: [/^\/api\//],
        clientsClaim: true,
      },
    }),
  ],
  // One style sheet, there from the start: a page fetched later never fails for its styles alone.
  build: {
    cssCodeSplit: false,
    outDir: 'dist',
    emptyOutDir: true,
    target: 'es2022',
    chunkSizeWarningLimit: 2000,
  },
  server: { proxy: { '/api': `http://127.0.0.1:${process.env.VELDRIFT_PORT ?? '8080'}` } },
});
