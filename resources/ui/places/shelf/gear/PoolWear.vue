<script setup lang="ts">
import { useDeed } from '@/lib/deed'
import { useQueryClient } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { api, told, type Schemas } from '@/api/client'
import { newId } from '@/lib/ids'
import NumberInput from '@/parts/NumberInput.vue'
import ProblemNote from '@/parts/ProblemNote.vue'
import { uses } from './words'

// How old a pool of towels is, and the only way it can go: down, or away. Grit from a wheel does not wash out.
const props = defineProps<{ gear: Schemas['Gear'] }>()
const queries = useQueryClient()
const open = ref(false)
const count = ref<number | null>(null)
const { busy, problem, attempt } = useDeed()
const wear = computed(() => props.gear.wear)
async function note(kind: 'bought' | 'thrown' | 'moved') {
  await attempt(async () => {
    await told(
      api.POST('/api/v1/gear/{gear}/events', {
        params: { path: { gear: props.gear.id }, header: { 'Idempotency-Key': newId() } },
        body: {
          kind,
          facts: { count: count.value ?? 0, ...(kind === 'moved' ? { to: wear.value?.down ?? '' } : {}) },
        },
      }),
    )
    open.value = false
    count.value = null
    await queries.invalidateQueries({ queryKey: ['gear'] })
  })
}
</script>

<template>
  <div v-if="wear" class="small">
    <p :class="{ due: wear.due }">
      Washed {{ wear.cycles }} times each in the mean, good for {{ wear.of
      }}<template v-if="wear.due"
        >:
        {{
          wear.down
            ? `time they step down to the ${uses[wear.down]?.toLowerCase() ?? wear.down}`
            : 'time to throw them away'
        }}</template
      >.
      <button type="button" class="words small" :aria-expanded="open" @click="open = !open">
        {{ open ? 'Cancel' : 'Some came or go…' }}
      </button>
    </p>
    <div v-if="open" class="row">
      <span class="amount"><NumberInput v-model="count" :aria-label="`How many of ${gear.name}`" /></span>
      <button type="button" class="beside" :disabled="busy || !count" @click="note('bought')">came in new</button>
      <button v-if="wear.down" type="button" class="beside" :disabled="busy || !count" @click="note('moved')">
        step down to {{ uses[wear.down]?.toLowerCase() ?? wear.down }}
      </button>
      <button type="button" class="beside" :disabled="busy || !count" @click="note('thrown')">thrown away</button>
    </div>
    <ProblemNote :problem="problem" />
  </div>
</template>

<style scoped>
p {
  margin: 0;
}

.due {
  color: var(--due);
  font-weight: 600;
}

.amount {
  width: 90px;
}
</style>
