import { computed, ref } from 'vue'
import { describe, expect, it, vi } from 'vitest'

const currency = ref<string | undefined>('EUR')
vi.mock('./session', () => ({
  useMe: () => ({
    workspace: computed(() => (currency.value === undefined ? undefined : { currency: currency.value })),
  }),
}))
const { useMoney } = await import('./money')

describe('money', () => {
  it('is hundredths of the workspace’s currency, always with two decimals', () => {
    const money = useMoney()
    expect([money(123456), money(5), money(-250), money(0)]).toEqual([
      'EUR 1,234.56',
      'EUR 0.05',
      'EUR -2.50',
      'EUR 0.00',
    ])
  })
  it('is a dash where nobody knows, and a figure before the workspace is here', () => {
    const money = useMoney()
    expect([money(null), money(undefined)]).toEqual(['—', '—'])
    currency.value = undefined
    expect(money(150)).toBe('1.50')
  })
})
