<script setup lang="ts">
import { useDeed } from '@/lib/deed'
import { useQueryClient } from '@tanstack/vue-query'
import { useIntervalFn } from '@vueuse/core'
import { ref } from 'vue'
import { api, told, type Schemas } from '@/api/client'
import { rounded } from '@/lib/numbers'
import { newId } from '@/lib/ids'
import { useUnits } from '@/lib/units'
import Field from '@/parts/Field.vue'
import NumberInput from '@/parts/NumberInput.vue'
import ProblemNote from '@/parts/ProblemNote.vue'

// Guided: fill with plain water, start, stop when it is empty.
const props = defineProps<{ gear: Schemas['Gear']; washer: number | null }>()
const emit = defineEmits<{ done: []; leave: [] }>()
const units = useUnits()
const queries = useQueryClient()
const washer = ref(props.washer)
const bottle = ref<number | null>(units.volumeOut(props.gear.facts.ml ?? 1000))
const seconds = ref<number | null>(null)
const startedAt = ref<number | null>(null)
const key = newId()
const { busy, problem, attempt, fields: errors } = useDeed()
const { pause, resume } = useIntervalFn(
  () => {
    if (startedAt.value !== null) seconds.value = Math.round((Date.now() - startedAt.value) / 100) / 10
  },
  100,
  { immediate: false },
)

function watch() {
  if (startedAt.value === null) {
    startedAt.value = Date.now()
    seconds.value = 0
    resume()
  } else {
    pause()
    seconds.value = Math.round((Date.now() - startedAt.value) / 100) / 10
    startedAt.value = null
  }
}

async function save() {
  await attempt(async () => {
    await told(
      api.POST('/api/v1/gear/{gear}/events', {
        params: { path: { gear: props.gear.id }, header: { 'Idempotency-Key': key } },
        body: {
          kind: 'calibration',
          facts: {
            washer_l_min: washer.value ?? 0,
            bottle_ml: rounded(units.volumeIn(bottle.value ?? 0)),
            empties_s: seconds.value ?? 0,
          },
        },
      }),
    )
    await queries.invalidateQueries({ queryKey: ['gear'] })
    emit('done')
  })
}
</script>

<template>
  <form class="sheet grid" novalidate @submit.prevent="save">
    <h3>Calibrate {{ gear.name }}</h3>
    <ol class="small">
      <li>Washer on, lance on, trigger down into a bucket for a minute: that many litres a minute.</li>
      <li>Fill the lance’s bottle with plain water to a known mark.</li>
      <li>Press start as the trigger goes down, stop when it sputters. Don’t touch the knob afterwards.</li>
    </ol>
    <div class="cols three">
      <Field label="Washer with the lance" :error="errors['facts/washer_l_min']"
        ><template #default="f"><NumberInput v-bind="f" v-model="washer" suffix="l/min" /></template
      ></Field>
      <Field label="Plain water in it" :error="errors['facts/bottle_ml']"
        ><template #default="f"><NumberInput v-bind="f" v-model="bottle" :suffix="units.volumeUnit.value" /></template
      ></Field>
      <Field label="Empty after" :error="errors['facts/empties_s']"
        ><template #default="f"><NumberInput v-bind="f" v-model="seconds" suffix="s" /></template
      ></Field>
    </div>
    <button type="button" class="beside watch" :aria-pressed="startedAt !== null" @click="watch">
      {{ startedAt === null ? 'Start the watch' : `Stop: ${seconds} s` }}
    </button>
    <ProblemNote :problem="problem" />
    <div class="row">
      <button type="submit" class="act" :disabled="busy">{{ busy ? 'Saving…' : 'That is its strength' }}</button>
      <button type="button" class="words" @click="emit('leave')">Cancel</button>
    </div>
  </form>
</template>

<style scoped>
ol {
  margin: 0;
  padding-left: 20px;
}

.watch {
  min-height: 64px;
  font-size: 20px;
  font-variant-numeric: tabular-nums;
}
</style>
