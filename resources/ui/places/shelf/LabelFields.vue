<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import { fieldsOf } from '@/lib/form'
import { useUnits } from '@/lib/units'
import { families } from '@/lib/words'
import Field from '@/parts/Field.vue'
import RowFields from '@/parts/RowFields.vue'
import TextInput from '@/parts/TextInput.vue'
import DilutionLine from './DilutionLine.vue'

// What stands on the label: dilutions, dwell, panel temperatures, the life it claims, its cautions.
defineProps<{ fields: Record<string, string> }>()
const form = defineModel<Schemas['Product']>({ required: true })
const units = useUnits()
const layerFamilies = Object.fromEntries(
  Object.entries(families)
    .filter(([name]) => name !== 'bare')
    .map(([name, family]) => [name, family.name]),
)
const cautions = computed({
  get: () => form.value.cautions.join('\n'),
  set: (text) => {
    form.value.cautions = text
      .split('\n')
      .map((line) => line.trim())
      .filter(Boolean)
  },
})
const applied = {
  'wet-rinse': 'Sprayed on wet, rinsed off',
  'foam-rinse': 'Through the lance, rinsed off',
  'drying-aid': 'Misted before the towel',
  wipe: 'Sprayed and wiped',
}
const asks = fieldsOf<Schemas['Product']>()
const ask = computed(() => {
  const panel = {
    as: 'number' as const,
    suffix: units.temperatureUnit.value,
    signed: true,
    unit: { shown: units.temperatureOut, kept: units.temperatureIn },
  }
  return {
    dwell: asks(
      { name: 'dwell_min_s', label: 'Dwell from', as: 'number', suffix: 's' },
      { name: 'dwell_max_s', label: 'Dwell to', as: 'number', suffix: 's' },
      { name: 'min_c', label: 'Panel from', ...panel },
      { name: 'max_c', label: 'Panel to', ...panel },
    ),
    layer: asks(
      { name: 'applied', label: 'Goes on', as: 'one', options: applied, none: 'label is silent' },
      { name: 'family', label: 'Makes a layer of', as: 'one', options: layerFamilies, none: 'no layer' },
      { name: 'label_low_weeks', label: 'Lasts from', as: 'number', step: 0.5, suffix: 'weeks' },
      { name: 'label_high_weeks', label: 'Lasts to', as: 'number', step: 0.5, suffix: 'weeks' },
    ),
  }
})
const ways = ['bucket', 'lance', 'sprayer', 'bottle', 'wheel', 'tyre'] as const
</script>

<template>
  <section class="sheet grid">
    <h2>As the label says</h2>
    <DilutionLine
      v-for="way in ways"
      :key="way"
      v-model="form.dilutions[way]"
      :way="way"
      :error="fields[`dilutions/${way}`]"
    />
    <RowFields :row="form" :ask="ask.dwell" :errors="fields" :columns="4" />
    <RowFields :row="form" :ask="ask.layer" :errors="fields" :columns="4" />
    <Field label="Cautions, one a line" optional :error="fields.cautions">
      <template #default="f"><TextInput :id="f.id" v-model="cautions" :rows="2" type="textarea" /></template>
    </Field>
  </section>
</template>
