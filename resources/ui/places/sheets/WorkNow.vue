<script setup lang="ts">
import { computed, ref, toRef, watch } from 'vue'
import { t } from '@/lib/i18n'
import { useDriveway } from './driveway'
import FilmTimer from './FilmTimer.vue'
import HandsFree from './HandsFree.vue'
import HowToWork from './HowToWork.vue'
import StepCard from './StepCard.vue'
import type { useSheet } from './useSheet'
import { useVoice } from './voice'
import { useWork } from './work'

// What is to be done now: the timers that run, a step for each pair of hands on this phone, what comes then.
const props = defineProps<{
  sheet: ReturnType<typeof useSheet>
  sound: boolean
  chosen: string | null
  /** What is called out of films that dry. */
  saying: string
}>()
const emit = defineEmits<{ sound: []; close: []; 'hand-over': [] }>()
const { kept, state, steps, running, now, say, undo } = props.sheet
const { handsFree } = useDriveway()
const { plan, paused, over, cards, then, timerOf, end, understand, next, stop, words } = useWork(
  props.sheet,
  toRef(props, 'chosen'),
)
const nameOf = (id: string) => steps.value.find((step) => step.id === id)?.name ?? id

// What was said last of why it does not go on; spoken, and on the screen.
const told = ref('')
const voice = useVoice(handsFree, {
  next: () => void onward(),
  pause: () => void stop(),
  again: () => voice.say(words.value, true),
})
function tell(says: string) {
  told.value = says
  voice.say(says, true)
}
async function onward() {
  told.value = ''
  await next(tell)
}
watch(
  [words, () => handsFree.value, voice.voice],
  () => {
    told.value = ''
    voice.say(words.value)
    voice.show(cards.value[0]?.step.name ?? t('work-now.every-step-is-done'), kept.value?.sheet.vehicle.name ?? '')
  },
  { immediate: true },
)
watch(
  () => props.saying,
  (says) => voice.say(says, true),
)
const card = computed(() => cards.value[0])
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
      <HandsFree
        v-if="handsFree && card"
        :card="card"
        :state="state"
        :fills="plan?.fills ?? []"
        :now="now"
        :told="told"
        @next="onward"
        @ack="(of) => card && understand(card.step, of)"
      />
      <StepCard
        v-for="each in handsFree ? [] : cards"
        :key="each.step.id"
        :step="each.step"
        :steps="steps"
        :talk="plan?.talk"
        :state="state"
        :panels="plan?.panels ?? []"
        :fills="plan?.fills ?? []"
        :timer="timerOf(each.step)"
        :now="now"
        :whose="each.whose"
        @start="say('start', each.step.id)"
        @end="end(each.step)"
        @skip="say('skip', each.step.id)"
        @ack="(of) => understand(each.step, of)"
        @reading="(facts) => sheet.readWater(each.step.id, facts)"
        @count="(what, by) => say('count', each.step.id, { what, by })"
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
      <button type="button" class="beside" @click="emit('hand-over')">{{ $t('work-now.hand-over') }}</button>
      <button v-if="!over" type="button" class="beside" @click="emit('close')">{{ $t('work-now.close-early') }}</button>
    </div>
    <HowToWork :sound="sound" :voice="voice.voice.value?.name ?? null" @sound="emit('sound')" />
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
