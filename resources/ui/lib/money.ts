import { locale } from '@/lib/i18n'
import { useMe } from './session'

/** Money as this workspace writes it; the figures are hundredths of its currency. */
export function useMoney() {
  const { workspace } = useMe()
  return (minor: number | null | undefined): string => {
    if (minor === null || minor === undefined) return '—'
    const currency = workspace.value?.currency ?? ''
    const amount = (minor / 100).toLocaleString(locale(), { minimumFractionDigits: 2, maximumFractionDigits: 2 })
    return currency ? `${currency} ${amount}` : amount
  }
}
