import { fileURLToPath } from 'node:url'
import { defineConfig } from 'vitest/config'

export default defineConfig({
  resolve: { alias: { '@': fileURLToPath(new URL('./resources/ui', import.meta.url)) } },
  test: { include: ['resources/ui/**/*.test.ts'], env: { TZ: 'Pacific/Auckland' } },
})
