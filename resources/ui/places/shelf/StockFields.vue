<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import { fieldsOf } from '@/lib/form'
import { useUnits } from '@/lib/units'
import RowFields from '@/parts/RowFields.vue'

// How much there is, when to buy, in what packs and for how much.
defineProps<{ row: Schemas['Product']; errors: Record<string, string> }>()
const units = useUnits()
const ask = computed(() => {
  const volume = {
    as: 'number' as const,
    suffix: units.volumeUnit.value,
    unit: { shown: units.volumeOut, kept: units.volumeIn },
  }
  return fieldsOf<Schemas['Product']>()(
    { name: 'stock_ml', label: 'Left', ...volume },
    { name: 'reorder_ml', label: 'Reorder at', ...volume },
    { name: 'pack_ml', label: 'A pack holds', ...volume },
    { name: 'supplier', label: 'Bought at', as: 'text', longest: 80, optional: true },
    {
      name: 'price_minor',
      label: 'And costs',
      as: 'number',
      digits: 2,
      unit: { shown: (minor) => minor / 100, kept: (typed) => Math.round(typed * 100) },
    },
  )
})
</script>

<template>
  <section class="sheet"><RowFields :row="row" :ask="ask" :errors="errors" :columns="4" /></section>
</template>
