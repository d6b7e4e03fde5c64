import tailwindcss from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';
import { VitePWA } from 'vite-plugin-pwa';

export default defineConfig({
  plugins: [
    react(),
    tailwindcss(),
    VitePWA({
      registerType: 'autoUpdate',
      injectRegister: 'auto',
      manifest: {
        name: 'Bluffwind',
        short_name: 'Bluffwind',
        start_url: '/',
        display: 'standalone',
        background_color: '#f6f3ea',
        theme_color: '#f6f3ea',
        icons: [{ src: '/icon.svg', sizes: 'any', type: 'image/svg+xml' }],
      },
      strategies: 'injectManifest',
      srcDir: 'src/offline',
      filename: 'sw.ts',
      injectManifest: {
        globPatterns: ['**/*.{js,css,html,svg,woff2}'],
        // Readers of files that are brought in at a desk: no phone carries them along.
        globIgnores: ['**/{projections,lerc,zstd,geotiff,depthFile,bookings,jpeg,lzw,basedecoder,webimage,packbits,deflate,raw}-*.js'],
      },
    }),
  ],
  worker: { format: 'es' },
  build: { target: 'es2022', sourcemap: false, chunkSizeWarningLimit: 900 },
});
