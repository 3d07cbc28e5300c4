<script setup lang="ts">
import { useStorage } from '@vueuse/core'
import { computed, ref } from 'vue'
import type { Schemas } from '@/api/client'
import { shortDay } from '@/lib/dates'
import { useMoney } from '@/lib/money'
import { kindsSaid } from '@/lib/words'
import Field from '@/parts/Field.vue'
import OneOf from '@/parts/OneOf.vue'
import TextInput from '@/parts/TextInput.vue'
import { gapAfter, pointsSaid, tollSaid, type Visit, type Weeks } from './weeks'

// The visit in hand: why it stands there, what the day it is held over would cost, and what to do with it.
const props = defineProps<{
  weeks: Weeks
  visit: Visit
  vehicle: Schemas['WeeksVehicle']
  crew: string
  why: string[] | null
  choices: Schemas['ElseDay'][]
  held: string
  zone: string
  busy: boolean
  heldAhead: Schemas['AheadCourse'] | undefined
  standsAhead: Schemas['AheadCourse'] | undefined
}>()
const emit = defineEmits<{
  drop: []
  lock: []
  hold: [on: string]
  leave: []
  propose: []
  cancel: [body: Schemas['VisitCancel']]
}>()
const money = useMoney()
const stands: Record<string, string> = {
  waiting: 'the letter goes out in the morning',
  sent: 'asked, no answer yet',
  accepted: 'the client has accepted',
  asked: 'the client asks for another day',
}
/** Whether the points behind the words are shown. */
const points = useStorage('weeks-points', false)
const over = computed(() => props.choices.find((day) => day.on === props.held))
const moved = computed(() => props.held !== props.visit.on)
const best = computed(() =>
  [...props.choices]
    .filter((day) => day.cost !== null)
    .sort((a, b) => (a.cost ?? 0) - (b.cost ?? 0) || a.on.localeCompare(b.on))
    .slice(0, 4),
)
const protection = computed(() => {
  const [now, as] = [props.heldAhead?.below_days, props.standsAhead?.below_days]
  if (now === undefined || as === undefined) return null
  const days = `${now} day${now === 1 ? '' : 's'}`
  return moved.value && now !== as
    ? `Its protection would be at more risk than accepted on ${days} of the next twelve weeks, instead of on ${as}.`
    : `Its protection is at more risk than accepted on ${days} of the next twelve weeks.`
})
const off = ref(false)
const by = ref<Schemas['VisitCancel']['by']>('client')
const because = ref('')
const again = ref(true)
const whose = { client: 'The client', us: 'We', weather: 'The weather' }
const day = (on: string) => shortDay(on, props.zone)
</script>

<template>
  <section class="hand" :aria-label="`${vehicle.name} on ${day(visit.on)}`">
    <div class="row spread">
      <h2>
        <RouterLink :to="`/vehicles/${vehicle.id}`">{{ vehicle.name }}</RouterLink>, {{ day(visit.on) }}
      </h2>
      <button type="button" class="words" @click="emit('leave')">Close</button>
    </div>
    <div class="columns">
      <div>
        <p class="what">
          {{ kindsSaid(visit.kinds) }}, {{ visit.minutes }} min<template v-if="visit.nine_in_ten">
            (nine times in ten within {{ visit.nine_in_ten }})</template
          >, {{ crew }}<template v-if="vehicle.site"> at {{ vehicle.site }}</template
          ><strong v-if="visit.locked">, locked</strong
          ><template v-if="visit.proposed">, {{ stands[visit.proposed] }}</template
          >.
        </p>
        <p v-if="visit.problem" class="held">{{ visit.problem }}</p>
        <p v-if="moved" class="held" role="status">
          <strong>{{ day(held) }}</strong>
          {{
            over
              ? over.cost === null
                ? `can’t be: ${over.why}`
                : `${over.worth}${points ? ` (${pointsSaid(over.cost)})` : ''}: ${[gapAfter(weeks, visit, held), tollSaid(over, money)].filter(Boolean).join('; ')}.`
              : 'is too far from it.'
          }}
        </p>
        <p v-if="protection" class="small">{{ protection }}</p>
      </div>
      <div>
        <h3>Why here</h3>
        <ul v-if="why">
          <li v-for="one in why" :key="one">{{ one.replace(/\d{4}-\d{2}-\d{2}/g, day) }}</li>
        </ul>
        <p v-else class="quiet">Reckoning…</p>
      </div>
      <div>
        <h3>What else</h3>
        <ul class="else">
          <li v-for="one in best" :key="one.on">
            <button type="button" class="words" @click="emit('hold', one.on)">{{ day(one.on) }}</button>
            {{ one.worth }}<span class="small quiet">{{ tollSaid(one, money) && `, ${tollSaid(one, money)}` }}</span
            ><span v-if="points" class="small quiet">, {{ pointsSaid(one.cost ?? 0) }}</span>
          </li>
        </ul>
        <button v-if="best.length" type="button" class="words small" :aria-pressed="points" @click="points = !points">
          {{ points ? 'Without points' : 'In points' }}
        </button>
        <p v-if="why && !best.length" class="quiet">No other day is open.</p>
      </div>
    </div>
    <div class="row">
      <button type="button" class="act" :disabled="busy || !moved || over?.cost == null" @click="emit('drop')">
        {{ moved ? `Move it to ${day(held)}` : 'Move it' }}
      </button>
      <button type="button" class="beside" :disabled="busy" @click="emit('lock')">
        {{ visit.locked ? 'Unlock' : 'Lock it here' }}
      </button>
      <button
        v-if="vehicle.client && !visit.proposed"
        type="button"
        class="beside"
        :disabled="busy"
        @click="emit('propose')"
      >
        Ask {{ vehicle.client }}
      </button>
      <button type="button" class="beside" :aria-expanded="off" :disabled="busy" @click="off = !off">Cancel it</button>
      <span class="small quiet">A moved visit is locked; the rest adapts.</span>
    </div>
    <form
      v-if="off"
      class="off"
      novalidate
      @submit.prevent="emit('cancel', { by, why: because.trim() || whose[by], again })"
    >
      <Field label="Who calls it off"
        ><template #default="f"><OneOf v-bind="f" v-model="by" :options="whose" /></template
      ></Field>
      <Field label="Why" optional
        ><template #default="f"><TextInput v-bind="f" v-model="because" maxlength="240" /></template
      ></Field>
      <ElCheckbox v-model="again">Look for another day</ElCheckbox>
      <button type="submit" class="act" :disabled="busy">Cancel the visit</button>
    </form>
  </section>
</template>

<style scoped>
.off {
  display: flex;
  flex-wrap: wrap;
  gap: var(--s3);
  align-items: end;
  margin-top: var(--s2);
}

.hand {
  border: 2px solid var(--ink);
  border-radius: var(--edge);
  background: var(--sheet);
  padding: var(--s2) var(--s4) var(--s3);
}

h2,
h3,
.what {
  margin: 0 0 4px;
}

.held {
  margin: 4px 0;
  padding: 4px var(--s3);
  background: var(--film-mist);
}

.columns {
  display: grid;
  grid-template-columns: minmax(0, 4fr) minmax(0, 5fr) minmax(0, 4fr);
  gap: var(--s4);
}

.else .words {
  min-height: 30px;
}

.else {
  list-style: none;
  padding: 0;
  display: flex;
  flex-direction: column;
  margin: 0;
}

ul:not(.else) {
  margin: 0 0 var(--s2);
  padding-left: 18px;
}

@media (max-width: 700px) {
  .columns {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
