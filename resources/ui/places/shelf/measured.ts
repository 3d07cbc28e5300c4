import { computed, type Ref } from 'vue'
import type { Schemas } from '@/api/client'

type Measured = 'stock_ml' | 'reorder_ml' | 'pack_ml' | 'min_c' | 'max_c'

/** Quantities of a product kept in SI units and typed in the workspace's; an empty field means "the label is silent". */
export function useMeasured(form: Ref<Schemas['Product'] | null>) {
  return (name: Measured, shown: (si: number) => number, kept: (typed: number) => number) =>
    computed({
      get: () => (form.value?.[name] == null ? '' : shown(Number(form.value[name]))),
      set: (typed: string | number | null) => {
        if (!form.value) return
        const value = String(typed ?? '') === '' ? null : Number(kept(Number(typed)).toFixed(1))
        Object.assign(form.value, { [name]: value })
      },
    })
}
