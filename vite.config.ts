import vue from '@vitejs/plugin-vue'
import laravel from 'laravel-vite-plugin'
import { fileURLToPath } from 'node:url'
import { ElementPlusResolver } from 'unplugin-vue-components/resolvers'
import components from 'unplugin-vue-components/vite'
import { defineConfig } from 'vite'

export default defineConfig({
  plugins: [
    laravel({ input: ['resources/ui/main.ts'] }),
    // A line break between two inline elements is a space, as in any document.
    vue({ template: { compilerOptions: { whitespace: 'preserve' } } }),
    components({ dts: false, dirs: [], resolvers: [ElementPlusResolver({ importStyle: 'css' })] }),
  ],
  resolve: { alias: { '@': fileURLToPath(new URL('./resources/ui', import.meta.url)) } },
  build: { target: 'es2022', chunkSizeWarningLimit: 400 },
})
