<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import { useUnits } from '@/lib/units'
import { families } from '@/lib/words'
import Field from '@/parts/Field.vue'
import PlainInput from '@/parts/PlainInput.vue'
import PlainSelect from '@/parts/PlainSelect.vue'
import DilutionLine from './DilutionLine.vue'
import { useMeasured } from './measured'

// What stands on the label: dilutions, dwell, panel temperatures, the life it claims, its cautions.
defineProps<{ fields: Record<string, string> }>()
const form = defineModel<Schemas['Product']>({ required: true })
const units = useUnits()
const measured = useMeasured(form)
const coldest = measured('min_c', units.temperatureOut, units.temperatureIn)
const hottest = measured('max_c', units.temperatureOut, units.temperatureIn)

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
    <div class="cols four">
      <Field label="Dwell from" :error="fields.dwell_min_s"
        ><template #default="f"
          ><PlainInput v-bind="f" v-model="form.dwell_min_s" type="number" min="0" suffix="s" /></template
      ></Field>
      <Field label="Dwell to" :error="fields.dwell_max_s"
        ><template #default="f"
          ><PlainInput v-bind="f" v-model="form.dwell_max_s" type="number" min="0" suffix="s" /></template
      ></Field>
      <Field label="Panel from" :error="fields.min_c"
        ><template #default="f"
          ><PlainInput v-bind="f" v-model="coldest" type="number" :suffix="units.temperatureUnit.value" /></template
      ></Field>
      <Field label="Panel to" :error="fields.max_c"
        ><template #default="f"
          ><PlainInput v-bind="f" v-model="hottest" type="number" :suffix="units.temperatureUnit.value" /></template
      ></Field>
    </div>
    <div class="cols four">
      <Field label="Goes on"
        ><template #default="f"
          ><PlainSelect v-bind="f" v-model="form.applied" :options="applied" none="label is silent" /></template
      ></Field>
      <Field label="Makes a layer of"
        ><template #default="f"
          ><PlainSelect v-bind="f" v-model="form.family" :options="layerFamilies" none="no layer" /></template
      ></Field>
      <Field label="Lasts from" :error="fields.label_low_weeks"
        ><template #default="f"
          ><PlainInput
            v-bind="f"
            v-model="form.label_low_weeks"
            type="number"
            min="0"
            step="0.5"
            suffix="weeks" /></template
      ></Field>
      <Field label="Lasts to" :error="fields.label_high_weeks"
        ><template #default="f"
          ><PlainInput
            v-bind="f"
            v-model="form.label_high_weeks"
            type="number"
            min="0"
            step="0.5"
            suffix="weeks" /></template
      ></Field>
    </div>
    <Field label="Cautions, one a line" optional :error="fields.cautions">
      <template #default="f"><textarea :id="f.id" v-model="cautions" rows="2" /></template>
    </Field>
  </section>
</template>
