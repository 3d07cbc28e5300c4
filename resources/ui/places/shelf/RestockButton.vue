<script setup lang="ts">
import { useDeed } from '@/lib/deed'
import { useQueryClient } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { api, told, type Schemas } from '@/api/client'
import { rounded } from '@/lib/numbers'
import { newId } from '@/lib/ids'
import { useUnits } from '@/lib/units'
import NumberInput from '@/parts/NumberInput.vue'
import ProblemNote from '@/parts/ProblemNote.vue'

// So much has come in: added to what lies there, however often the button is pressed on a bad line.
const props = defineProps<{ product: Schemas['Product'] }>()
const emit = defineEmits<{ done: [] }>()
const units = useUnits()
const queries = useQueryClient()
const open = ref(false)
const key = ref(newId())
const { busy, problem, attempt } = useDeed()
const amount = ref<number | null>(null)
const pack = computed(() => props.product.pack_ml ?? 1000)

function begin() {
  amount.value = units.volumeOut(pack.value)
  key.value = newId()
  open.value = true
}

async function add() {
  await attempt(async () => {
    await told(
      api.POST('/api/v1/products/{product}/restock', {
        params: { path: { product: props.product.id }, header: { 'Idempotency-Key': key.value } },
        body: { ml: rounded(units.volumeIn(amount.value ?? 0)) },
      }),
    )
    open.value = false
    await queries.invalidateQueries({ queryKey: ['products'] })
    emit('done')
  })
}
</script>

<template>
  <button v-if="!open" type="button" class="beside" @click="begin">Restock</button>
  <form v-else class="row" @submit.prevent="add">
    <NumberInput v-model="amount" :suffix="units.volumeUnit.value" aria-label="How much came in" />
    <button type="submit" class="act" :disabled="busy">{{ busy ? 'Adding…' : 'Add it' }}</button>
    <button type="button" class="words" @click="open = false">Cancel</button>
    <ProblemNote :problem="problem" />
  </form>
</template>
