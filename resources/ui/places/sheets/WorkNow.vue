<script setup lang="ts">
import { computed } from 'vue'
import { handsSaid } from '@/lib/words'
import FilmTimer from './FilmTimer.vue'
import { isPaused, nextFor, type Step } from './fold'
import StepCard from './StepCard.vue'
import type { useSheet } from './useSheet'

// What is to be done now: the timers that run, a step for each pair of hands on this phone, what comes then.
const props = defineProps<{ sheet: ReturnType<typeof useSheet>; sound: boolean; chosen: string | null }>()
const emit = defineEmits<{ sound: []; close: []; 'hand-over': [] }>()
const { kept, state, steps, running, now, done, say, undo } = props.sheet
const plan = computed(() => kept.value?.sheet.plan)
const person = computed(() => kept.value?.person ?? 0)
const paused = computed(() => isPaused(state.value))
const over = computed(() => steps.value.length > 0 && done.value.length === steps.value.length)
// All on one phone: a card for each step that somebody does.
const cards = computed((): { step: Step; whose: string | null }[] => {
  const crew = kept.value?.sheet.crew ?? 1
  const one = (who: number) => nextFor(who, steps.value, state.value)
  const taken = steps.value.find((step) => step.id === props.chosen && !done.value.includes(step))
  if (crew === 1 || person.value !== 0) {
    const step = taken ?? one(person.value)
    return step ? [{ step, whose: null }] : []
  }
  const whose = new Map<Step, number[]>()
  for (let who = 1; who <= crew; who++) {
    const step = taken?.who.includes(who) ? taken : one(who)
    if (step) whose.set(step, [...(whose.get(step) ?? []), who])
  }
  return [...whose].map(([step, who]) => ({
    step,
    whose: crew === 1 ? null : handsSaid(who, crew).replace(/^./, (letter) => letter.toUpperCase()),
  }))
})
const then = computed(() => {
  const shown = new Set(cards.value.map((card) => card.step.id))
  return steps.value.filter((step) => !shown.has(step.id) && !done.value.includes(step)).slice(0, 2)
})
const nameOf = (id: string) => steps.value.find((step) => step.id === id)?.name ?? id

async function end(step: Step) {
  await say('end', step.id)
  window.scrollTo({ top: 0 })
}
</script>

<template>
  <section class="grid" :aria-label="$t('work-now.now')">
    <FilmTimer v-for="timer in running" :key="timer.step.id" :timer="timer" :of="nameOf(timer.of)" :now="now" />
    <div v-if="plan && plan.finish === null" class="still" role="alert">
      <strong>{{ $t('work-now.the-rest-cant-be-worked-as') }}</strong>
      <span v-for="one in plan.problems" :key="one">{{ one }}</span>
      <span v-for="one in plan.remedies" :key="one.says">{{ one.says }}</span>
    </div>
    <div v-if="paused" class="still" role="status">
      <strong>{{ $t('work-now.the-visit-stands-still') }}</strong> {{ $t('work-now.what-is-on-the-panels-goes') }}
      <button type="button" class="act" @click="say('resume')">{{ $t('work-now.go-on') }}</button>
    </div>
    <template v-else>
      <StepCard
        v-for="card in cards"
        :key="card.step.id"
        :step="card.step"
        :steps="steps"
        :talk="plan?.talk"
        :state="state"
        :panels="plan?.panels ?? []"
        :fills="plan?.fills ?? []"
        :timer="running.find((timer) => timer.step.id === card.step.id) ?? null"
        :now="now"
        :whose="card.whose"
        @start="say('start', card.step.id)"
        @end="end(card.step)"
        @skip="say('skip', card.step.id)"
        @ack="(of) => say('ack', card.step.id, of)"
        @reading="(facts) => sheet.readWater(card.step.id, facts)"
        @count="(what, by) => say('count', card.step.id, { what, by })"
      />
      <div v-if="over" class="grid">
        <h2>{{ $t('work-now.every-step-is-done') }}</h2>
        <button type="button" class="act big" @click="emit('close')">{{ $t('work-now.close-the-turn') }}</button>
      </div>
      <p v-if="then.length" class="then">
        <span class="small quiet">{{ $t('work-now.then') }}</span> {{ then.map((step) => step.name).join(', ') }}
      </p>
    </template>
    <div class="tools">
      <button type="button" class="beside" @click="undo">{{ $t('work-now.undo') }}</button>
      <button v-if="!paused && !over" type="button" class="beside" @click="say('pause')">
        {{ $t('work-now.stop-a-while') }}
      </button>
      <button type="button" class="beside" :aria-pressed="sound" @click="emit('sound')">
        {{ sound ? $t('work-now.sound-on') : $t('work-now.sound-off') }}
      </button>
      <button type="button" class="beside" @click="emit('hand-over')">{{ $t('work-now.hand-over') }}</button>
      <button v-if="!over" type="button" class="beside" @click="emit('close')">{{ $t('work-now.close-early') }}</button>
    </div>
  </section>
</template>

<style scoped>
.still {
  display: grid;
  gap: var(--s2);
  padding: var(--s3);
  border-left: 5px solid var(--film);
  background: var(--film-mist);
}

.then {
  margin: 0;
}

.tools {
  display: flex;
  flex-wrap: wrap;
  gap: var(--s2);
}

.tools .beside {
  min-height: 48px;
}

.big,
.still .act {
  min-height: 64px;
  font-size: 19px;
}
</style>
