<script setup lang="ts">
import { useDeed } from '@/lib/deed'
import { useQueryClient } from '@tanstack/vue-query'
import { ref } from 'vue'
import { api, told, type Schemas } from '@/api/client'
import FilePick from '@/parts/FilePick.vue'
import { shortDay } from '@/lib/dates'
import { useMe } from '@/lib/session'
import Choices from '@/parts/Choices.vue'
import ProblemNote from '@/parts/ProblemNote.vue'

// A client's calendar file: looked at first, then taken as days away or as deadlines.
const props = defineProps<{ vehicleId: string }>()
const { zone } = useMe()
const queries = useQueryClient()
const ics = ref('')
const as = ref<'closed' | 'deadline' | null>('closed')
const found = ref<Schemas['DaysFound'][] | null>(null)
const done = ref(false)
const { problem, attempt } = useDeed()
async function take(file: File) {
  done.value = false
  found.value = null
  try {
    ics.value = await file.text()
  } catch (caught) {
    // It was moved or changed since it was chosen.
    problem.value = caught
    return
  }
  await ask(true)
}
async function ask(dry: boolean) {
  await attempt(async () => {
    const answer = await told(
      api.POST('/api/v1/days/import', {
        body: { vehicle_id: props.vehicleId, ics: ics.value, as: as.value ?? 'closed', dry },
      }),
    )
    found.value = answer.data
    if (dry) return
    done.value = true
    await queries.invalidateQueries({ queryKey: ['days'] })
    await queries.invalidateQueries({ queryKey: ['weeks'] })
  })
}
const options = [
  { value: 'closed' as const, name: 'Days it is away' },
  { value: 'deadline' as const, name: 'Days it must shine' },
]
</script>

<template>
  <details class="unfold">
    <summary>From their calendar file (.ics)</summary>
    <div class="grid">
      <FilePick accept=".ics,text/calendar" @take="take">Calendar file…</FilePick>
      <Choices v-model="as" label="Its events are" compact :options="options" />
      <ProblemNote :problem="problem" />
      <template v-if="found">
        <p role="status">
          {{ found.length }} event{{ found.length === 1 ? '' : 's' }} in the year to come{{
            done ? ', taken over.' : ':'
          }}
        </p>
        <ul v-if="!done">
          <li v-for="one in found.slice(0, 12)" :key="one.from + one.to">
            {{ shortDay(one.from, zone)
            }}<template v-if="one.to !== one.from"> to {{ shortDay(one.to, zone) }}</template> {{ one.note }}
          </li>
        </ul>
        <button v-if="!done && found.length" type="button" class="beside" @click="ask(false)">Take them over</button>
      </template>
    </div>
  </details>
</template>

<style scoped>
ul {
  margin: 0;
}
</style>
