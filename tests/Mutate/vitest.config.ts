import { fileURLToPath } from 'node:url'
import { defineConfig } from 'vitest/config'

// The interface's reckoning alone, without the parts that need a document: each mutant is judged in a second.
export default defineConfig({
  resolve: { alias: { '@': fileURLToPath(new URL('../../resources/ui', import.meta.url)) } },
  test: {
    env: { TZ: 'Pacific/Auckland' },
    include: ['resources/ui/**/*.test.ts'],
    exclude: ['**/*.vue.test.ts', '**/i18n.test.ts', '**/words.test.ts'],
  },
})
