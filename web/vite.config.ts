import { fileURLToPath } from 'node:url';
import vue from '@vitejs/plugin-vue';
import { defineConfig } from 'vite';
import { compression } from 'vite-plugin-compression2';
import { VitePWA } from 'vite-plugin-pwa';
import vuetify from 'vite-plugin-vuetify';

export default defineConfig({
  root: fileURLToPath(new URL('.', import.meta.url)),
  plugins: [
    vue(),
    vuetify({ autoImport: true }),
    // what never changes under its name is compressed once, here
    compression({ include: /assets\/.*\.(js|css)$/, algorithms: ['gzip'], threshold: 1000 }),
    VitePWA({
      // A new version says so and waits until the user takes it.
      registerType: 'prompt',
      injectRegister: false,
      includeAssets: ['pendrix.svg'],
      manifest: {
        name: 'Pendrix',
        short_name: 'Pendrix',
        description: 'What comes out even: motors and trains for dividing and tracking.',
        start_url: '/',
        display: 'standalone',
        background_color: '#f4f5f0',
        theme_color: '#24408e',
        icons: [{ src: '/pendrix.svg', sizes: 'any', type: 'image/svg+xml' }],
      },
      workbox: {
        globPatterns: ['**/*.{js,css,html,svg,woff2,webmanifest}'],
        navigateFallback: '/index.html',
      },
    }),
  ],
  optimizeDeps: { exclude: ['vuetify'] },
  build: {
    target: 'es2022',
    rolldownOptions: {
      output: {
        codeSplitting: {
          groups: [
            { name: 'vue', test: /node_modules[\\/](@vue|vue|vue-router|pinia|@vueuse)[\\/]/, priority: 20 },
            { name: 'charts', test: /node_modules[\\/](echarts|zrender|vue-echarts)[\\/]/, priority: 15 },
            // few requests: what the list needs is one, what the stations share another
            { name: 'first', tags: ['$initial'], priority: 10 },
            { name: 'stations', minShareCount: 3, priority: 5 },
          ],
        },
      },
    },
  },
});
