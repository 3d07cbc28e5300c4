import { useQuery } from '@tanstack/vue-query'
import { api, told } from '@/api/client'

/** Money as this workspace writes it; the figures are hundredths of its currency. */
export function useMoney() {
  const { data } = useQuery({ queryKey: ['rates'], queryFn: () => told(api.GET('/api/v1/rates')), staleTime: 300_000 })
  return (minor: number | null | undefined): string => {
    if (minor === null || minor === undefined) return '—'
    const currency = data.value?.currency ?? ''
    const amount = (minor / 100).toLocaleString('en-GB', { minimumFractionDigits: 2, maximumFractionDigits: 2 })
    return currency ? `${currency} ${amount}` : amount
  }
}
