<script setup lang="ts">
import { useStepper } from '@vueuse/core'
import { computed, ref, toRef } from 'vue'
import { useRouter } from 'vue-router'
import SoilDrawing from '@/film/SoilDrawing.vue'
import CarOutline from '@/film/CarOutline.vue'
import { ifThere, rounded } from '@/lib/numbers'
import { useMe } from '@/lib/session'
import { useUnits } from '@/lib/units'
import { soils, waters } from '@/lib/words'
import Choices from '@/parts/Choices.vue'
import Field from '@/parts/Field.vue'
import NumberInput from '@/parts/NumberInput.vue'
import ProblemNote from '@/parts/ProblemNote.vue'
import ReadWater from '@/places/turns/ReadWater.vue'
import ContaminantPick from './ContaminantPick.vue'
import { described, keepAsDraft, lookAt, takeByHand, tryOut, useLook } from './look'
import { useMatch } from './match'
import MatchAnswer from './MatchAnswer.vue'
import WalkMarks from './WalkMarks.vue'
import { wheelSoils } from './words'
import { useWork } from './work'

// Two minutes round the car, zone by zone, with one thumb; the answer stands at its end. What was seen is kept as one goes.
const props = defineProps<{ id: string }>()
const router = useRouter()
const { zone } = useMe()
const units = useUnits()
const look = useLook(props.id, zone.value)
look.value.at = lookAt(zone.value).at
const { vehicle, place, match, ask } = useMatch(look, toRef(props, 'id'), ref(described()), zone, ref(false))
const answer = computed(() => match.data.value)
const { current, index, isFirst, isLast, goToNext, goToPrevious, goTo, steps } = useStepper({
  upper: { title: 'Stand at the front. Roof, bonnet, glass', zone: 'upper' },
  lower: { title: 'Bend down. The lower third', zone: 'lower' },
  sits: { title: 'What sits on it?', zone: 'upper' },
  wheels: { title: 'The wheels', zone: 'wheels' },
  edges: { title: 'Decals, film, trim, chips', zone: 'trim' },
  water: { title: 'Spray one panel. How does the water stand?', zone: 'upper' },
  place: { title: 'Water, shade, panel', zone: 'none' },
  answer: { title: 'The match', zone: 'none' },
})
const keys = Object.keys(steps.value) as (keyof typeof steps.value)[]
const arrival = computed({
  get: () => look.value.arrival ?? undefined,
  set: (next) => (look.value.arrival = next ?? null),
})
const upper = computed({
  get: () => look.value.upper,
  set: (level) => {
    look.value.upper = level
    // Nobody's lower third is cleaner than the roof.
    look.value.lower = Math.max(look.value.lower, level)
  },
})
const wheels = computed({ get: () => look.value.wheels, set: (next) => (look.value.wheels = next) })
const water = computed({
  get: () => place.value.water ?? 'tap',
  set: (next) => (look.value.place = { ...look.value.place, water: next }),
})
const shade = computed({
  get: () => Boolean(place.value.shade),
  set: (next) => (look.value.place = { ...look.value.place, shade: next }),
})
const panel = computed({
  get: () => ifThere(look.value.panelC, units.temperatureOut),
  set: (typed) => (look.value.panelC = ifThere(typed, (of) => rounded(units.temperatureIn(of)))),
})
const waterOptions = Object.entries(waters).map(([value, name]) => ({
  value: value as 'tap' | 'treated' | 'none',
  name,
}))

const { work, problem, busy, goesOn } = useWork(toRef(props, 'id'), ask, look)

async function take() {
  if (!answer.value) return
  keepAsDraft(props.id, look.value, place.value, answer.value, zone.value)
  await router.push(`/vehicles/${props.id}/turn`)
}
</script>

<template>
  <div class="page narrow look">
    <header>
      <p class="quiet small">
        <RouterLink :to="`/vehicles/${id}`">{{ vehicle?.name ?? '…' }}</RouterLink> · walk round
      </p>
      <div class="where">
        <h1>{{ current.title }}</h1>
        <CarOutline :zone="current.zone" :body="vehicle?.body ?? 'hatch'" />
      </div>
      <WalkMarks :titles="keys.map((key) => steps[key].title)" :index="index" @go="(i) => goTo(keys[i] ?? 'upper')" />
    </header>

    <div class="grid body">
      <Choices v-if="keys[index] === 'upper'" v-model="upper" label="How dirty up here?" :options="soils" :columns="2">
        <template #drawing="{ option }"><SoilDrawing :level="option.value" /></template>
      </Choices>
      <template v-else-if="keys[index] === 'lower'">
        <Choices v-model="look.lower" label="And down here?" :options="soils" :columns="2">
          <template #drawing="{ option }"><SoilDrawing :level="option.value" /></template>
        </Choices>
        <ElCheckbox v-model="look.grit" class="big-tick">Grit: a fingertip feels sand in it</ElCheckbox>
      </template>
      <ContaminantPick v-else-if="keys[index] === 'sits'" v-model="look.on" :columns="2" hide-label />
      <template v-else-if="keys[index] === 'wheels'">
        <Choices v-model="wheels" label="How dirty are they?" :options="wheelSoils" :columns="2" />
        <ElCheckbox v-model="look.wheelIron" class="big-tick">Brake dust has burnt in</ElCheckbox>
      </template>
      <template v-else-if="keys[index] === 'edges'">
        <ElCheckbox v-model="look.looseEdges" class="big-tick">Edges of decals, film or trim lift</ElCheckbox>
        <ElCheckbox v-model="look.reset" class="big-tick">A reset: old wax or sealant comes off on purpose</ElCheckbox>
        <p class="small quiet">
          Chips and scratches: show them to the owner before you begin, and note them in the turn.
        </p>
      </template>
      <ReadWater
        v-else-if="keys[index] === 'water'"
        v-model="arrival"
        label="Water on the dirty paint"
        hint="Tells about dirt on the layer, never that a coating is dead."
      />
      <template v-else-if="keys[index] === 'place'">
        <Choices v-model="water" label="Water" :options="waterOptions" :columns="1" compact />
        <ElCheckbox v-model="shade" class="big-tick">It stands in shade</ElCheckbox>
        <Field label="Panel temperature" hint="Hold the thermometer at the bonnet; leave it empty when you have none."
          ><template #default="f"
            ><NumberInput
              v-bind="f"
              v-model="panel"
              :step="0.5"
              :suffix="units.temperatureUnit.value"
              signed /></template
        ></Field>
      </template>
      <template v-else>
        <ProblemNote :problem="match.error.value" />
        <MatchAnswer
          v-if="answer"
          :match="answer"
          :soil="answer.cameWith"
          :taken="look.taken"
          @dry="(way) => tryOut(look, 'drying', way)"
          @take="(id) => takeByHand(look, id)"
        />
        <p v-else-if="!match.error.value" class="quiet" role="status">Looking…</p>
        <ProblemNote :problem="problem">
          <RouterLink v-if="goesOn" :to="`/sheets/${goesOn}`">Go on with it</RouterLink>
        </ProblemNote>
        <button v-if="answer?.possible" type="button" class="words" @click="take">Only write it down as a turn</button>
      </template>
    </div>

    <div class="thumb">
      <button type="button" class="beside" :disabled="isFirst" @click="goToPrevious">Back</button>
      <button v-if="!isLast" type="button" class="act" @click="goToNext">Next</button>
      <button v-else type="button" class="act" :disabled="!answer?.possible || busy" @click="work">
        Work it from a sheet
      </button>
    </div>
  </div>
</template>

<style scoped>
.look {
  padding-bottom: 150px;
}

header p {
  margin: 0;
}

.where {
  display: flex;
  justify-content: space-between;
  align-items: flex-end;
  gap: var(--s3);
  min-height: 66px;
}

/* All six levels under one thumb, without scrolling. */
.body :deep(.soil),
.body :deep(.contaminant) {
  height: 42px;
}

.body :deep(.one) {
  padding: var(--s2);
}

.thumb {
  position: fixed;
  inset: auto 0 0;
  z-index: 9;
  display: grid;
  grid-template-columns: 1fr 2fr;
  gap: var(--s2);
  padding: var(--s3) var(--s4);
  background: var(--paper);
  border-top: 1px solid var(--line);
}

.thumb .act,
.thumb .beside {
  min-height: 56px;
  font-size: 17px;
}

@media (max-width: 700px) {
  .thumb {
    bottom: 59px;
  }
}
</style>
