<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import { useUnits } from '@/lib/units'
import Field from '@/parts/Field.vue'
import PlainInput from '@/parts/PlainInput.vue'
import { useMeasured } from './measured'

// How much there is, when to buy, in what packs and for how much.
defineProps<{ fields: Record<string, string> }>()
const form = defineModel<Schemas['Product']>({ required: true })
const units = useUnits()
const measured = useMeasured(form)
const stock = measured('stock_ml', units.volumeOut, units.volumeIn)
const reorder = measured('reorder_ml', units.volumeOut, units.volumeIn)
const pack = measured('pack_ml', units.volumeOut, units.volumeIn)
const price = computed({
  get: () => (form.value.price_minor === null ? '' : form.value.price_minor / 100),
  set: (typed) => {
    form.value.price_minor = typed === '' || typed === null ? null : Math.round(Number(typed) * 100)
  },
})
</script>

<template>
  <section class="sheet cols four">
    <Field label="Left" :error="fields.stock_ml"
      ><template #default="f"
        ><PlainInput v-bind="f" v-model="stock" type="number" min="0" :suffix="units.volumeUnit.value" /></template
    ></Field>
    <Field label="Reorder at" :error="fields.reorder_ml"
      ><template #default="f"
        ><PlainInput v-bind="f" v-model="reorder" type="number" min="0" :suffix="units.volumeUnit.value" /></template
    ></Field>
    <Field label="A pack holds" :error="fields.pack_ml"
      ><template #default="f"
        ><PlainInput v-bind="f" v-model="pack" type="number" min="0" :suffix="units.volumeUnit.value" /></template
    ></Field>
    <Field label="Bought at" optional :error="fields.supplier"
      ><template #default="f"><PlainInput v-bind="f" v-model="form.supplier" maxlength="80" /></template
    ></Field>
    <Field label="And costs" :error="fields.price_minor"
      ><template #default="f"><PlainInput v-bind="f" v-model="price" type="number" min="0" step="0.01" /></template
    ></Field>
  </section>
</template>
