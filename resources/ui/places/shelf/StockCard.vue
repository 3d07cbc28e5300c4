<script setup lang="ts">
import { useDeed } from '@/lib/deed'
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { api, told } from '@/api/client'
import { rounded } from '@/lib/numbers'
import { dayAndTime, shortDay } from '@/lib/dates'
import { newId } from '@/lib/ids'
import { useMe } from '@/lib/session'
import { useUnits } from '@/lib/units'
import Choices from '@/parts/Choices.vue'
import Field from '@/parts/Field.vue'
import DayInput from '@/parts/DayInput.vue'
import NumberInput from '@/parts/NumberInput.vue'
import TextInput from '@/parts/TextInput.vue'
import ProblemNote from '@/parts/ProblemNote.vue'

// The shelf's book of one product: what came and went, which batch is in use, what a count found and what explains it.
const props = defineProps<{ productId: string }>()
const emit = defineEmits<{ moved: [] }>()
const { zone } = useMe()
const units = useUnits()
const queries = useQueryClient()
const path = computed(() => ({ path: { product: props.productId } }))
const { data: stock, error } = useQuery({
  queryKey: ['stock', () => props.productId],
  queryFn: () => told(api.GET('/api/v1/products/{product}/stock', { params: path.value })),
})
type Kind = 'buy' | 'count' | 'mix' | 'waste'
const kinds = [
  { value: 'buy' as const, name: 'Came in' },
  { value: 'count' as const, name: 'Counted' },
  { value: 'mix' as const, name: 'Mixed ahead' },
  { value: 'waste' as const, name: 'Gone bad' },
]
const said: Record<string, string> = {
  buy: 'came in',
  use: 'used in a turn',
  count: 'counted',
  mix: 'mixed ahead',
  waste: 'gone bad',
}
const kind = ref<Kind>('buy')
const amount = ref<number | null>(null)
const batch = ref('')
const expires = ref<string | null>(null)
const note = ref('')
const key = ref(newId())
const { busy, problem, attempt, fields } = useDeed()
async function save() {
  await attempt(async () => {
    const next = await told(
      api.POST('/api/v1/products/{product}/stock', {
        params: { ...path.value, header: { 'Idempotency-Key': key.value } },
        body: {
          kind: kind.value,
          ml: rounded(units.volumeIn(amount.value ?? 0)),
          batch: kind.value === 'buy' ? batch.value || null : null,
          expires_on: kind.value === 'buy' ? expires.value : null,
          note: note.value || null,
        },
      }),
    )
    queries.setQueryData(['stock', props.productId], next)
    amount.value = expires.value = null
    batch.value = note.value = ''
    key.value = newId()
    emit('moved')
    await queries.invalidateQueries({ queryKey: ['products'] })
  })
}
const signed = (ml: number) => (ml < 0 ? `− ${units.volume(-ml)}` : `+ ${units.volume(ml)}`)
</script>

<template>
  <section class="sheet grid" aria-label="Stock">
    <div class="row spread">
      <h2>Stock</h2>
      <strong v-if="stock" class="left">{{ units.volume(stock.stock_ml) }}</strong>
    </div>
    <ProblemNote :problem="error ?? problem" />
    <template v-if="stock">
      <ul v-if="stock.batches.length" class="lines small">
        <li v-for="(one, i) in stock.batches" :key="i">
          <span
            >{{ one.batch ? `Batch ${one.batch}` : 'Batch not written down'
            }}<template v-if="i === 0">, in use</template
            ><template v-if="one.expires">, good until {{ shortDay(one.expires, zone) }}</template></span
          >
          <span>{{ units.volume(one.ml) }}</span>
        </li>
      </ul>
      <form class="grid" novalidate @submit.prevent="save">
        <Choices v-model="kind" label="What happened" compact :options="kinds" />
        <div class="cols four">
          <Field :label="kind === 'count' ? 'Found' : 'How much'" :error="fields.ml"
            ><template #default="f"
              ><NumberInput v-bind="f" v-model="amount" :suffix="units.volumeUnit.value" /></template
          ></Field>
          <template v-if="kind === 'buy'">
            <Field label="Batch" optional
              ><template #default="f"><TextInput v-bind="f" v-model="batch" maxlength="60" /></template
            ></Field>
            <Field label="Good until" optional :error="fields.expires_on"
              ><template #default="f"><DayInput v-bind="f" v-model="expires" /></template
            ></Field>
          </template>
          <Field label="Note" optional :error="fields.note"
            ><template #default="f"><TextInput v-bind="f" v-model="note" maxlength="240" /></template
          ></Field>
        </div>
        <button type="submit" class="beside" :disabled="busy || amount === null">Write it down</button>
      </form>
      <details v-if="stock.counts.length" class="unfold">
        <summary>What counts found</summary>
        <ul class="lines small">
          <li v-for="one in stock.counts" :key="one.at">
            <span
              ><strong>{{ shortDay(one.at, zone) }}</strong
              >: found {{ units.volume(one.counted_ml) }}, {{ signed(one.difference_ml) }} against the book.
              {{ one.since ? `Since ${shortDay(one.since, zone)}` : 'Until then' }}
              {{ units.volume(one.bought_ml) }} came in, {{ one.turns }} turn{{ one.turns === 1 ? '' : 's' }} took
              {{ units.volume(one.used_ml)
              }}<template v-if="one.other_ml">, {{ units.volume(one.other_ml) }} otherwise</template>.<template
                v-if="one.note"
              >
                {{ one.note }}.</template
              ></span
            >
          </li>
        </ul>
      </details>
      <details class="unfold">
        <summary>Every movement</summary>
        <ul class="lines small">
          <li v-for="one in stock.moves" :key="one.id">
            <span
              >{{ dayAndTime(one.at, zone) }}, {{ said[one.kind] ?? one.kind
              }}<template v-if="one.batch">, batch {{ one.batch }}</template
              ><template v-if="one.note">: {{ one.note }}</template>
              <RouterLink v-if="one.turn_id" :to="`/turns/${one.turn_id}`">the turn</RouterLink></span
            >
            <span class="num">{{ signed(one.ml) }}</span>
          </li>
        </ul>
      </details>
    </template>
  </section>
</template>

<style scoped>
.left {
  font-size: 22px;
  font-variant-numeric: tabular-nums;
}

.num {
  font-variant-numeric: tabular-nums;
  white-space: nowrap;
}

form .beside {
  justify-self: start;
}
</style>
