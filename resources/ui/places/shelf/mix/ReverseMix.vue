<script setup lang="ts">
import { answered } from '@/lib/reckon'
import { useQuery } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { api, told, type Schemas } from '@/api/client'
import { readAmount, sayShare } from '@/lib/amount'
import { useMe } from '@/lib/session'
import { useUnits } from '@/lib/units'
import Field from '@/parts/Field.vue'
import TextInput from '@/parts/TextInput.vue'
import ProblemNote from '@/parts/ProblemNote.vue'
import { measured, type Gear } from './gear'

// The other way round: so much went in, what did I make?
const props = defineProps<{ lance: Gear | undefined }>()
const { units: system } = useMe()
const units = useUnits()
const product = ref('')
const water = ref('')
const parts = computed(() => [readAmount(product.value, system.value), readAmount(water.value, system.value)] as const)
const { data: made, error } = useQuery({
  queryKey: ['made', parts, () => props.lance?.id],
  enabled: computed(() => parts.value[0] !== null && parts.value[1] !== null),
  queryFn: async () => {
    const [p, w] = parts.value
    const mixed = answered<Schemas['ReckonRatio']>(
      await told(api.POST('/api/v1/reckon/ratio', { body: { text: `${p} ml per ${w} ml` } })),
    )
    const share = mixed?.share ?? 0
    const body = { ...measured(props.lance), bottle_share: share }
    const through = props.lance?.calibration
      ? answered<Schemas['ReckonLance'] | Schemas['ReckonLanceSpan']>(
          await told(api.POST('/api/v1/reckon/lance', { body })),
        )
      : null
    return { share, ml: (p ?? 0) + (w ?? 0), panel: through && 'carry' in through ? through.panel_share : null }
  },
  staleTime: Infinity,
  retry: false,
})
const wrong = (text: string) =>
  text.trim() !== '' && readAmount(text, system.value) === null ? 'Write 500, 8 oz, 1.5 l or 1/2 gal.' : undefined
</script>

<template>
  <details class="section">
    <summary>What did I make?</summary>
    <div class="cols two">
      <Field label="Product I put in" :error="wrong(product)"
        ><template #default="f"><TextInput v-bind="f" v-model="product" maxlength="20" /></template
      ></Field>
      <Field label="Water I put in" :error="wrong(water)"
        ><template #default="f"><TextInput v-bind="f" v-model="water" maxlength="20" /></template
      ></Field>
    </div>
    <ProblemNote :problem="error" />
    <p v-if="made && parts[0] !== null && parts[1] !== null" role="status">
      <strong>{{ sayShare(made.share) }}</strong>, {{ units.volume(made.ml) }} of it<template v-if="made.panel !== null"
        >; {{ sayShare(made.panel) }} at the panel</template
      >.
    </p>
  </details>
</template>

<style scoped>
p {
  margin: var(--s3) 0 0;
}
</style>
