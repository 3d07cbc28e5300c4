<script setup lang="ts">
import Cautions from './Cautions.vue'
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import UnfoldedBody from '@/film/UnfoldedBody.vue'
import { useUnits } from '@/lib/units'
import { isRead, stepOf, waitsFor, type State, type Step } from './fold'
import SecondLook from './SecondLook.vue'
import StepReadings from './StepReadings.vue'
import TextileCount from './TextileCount.vue'
import { clock, type Timer } from './timers'
import { dosesFor, type Fill } from './doses'
import { unreadOf } from './work'

// One step, with everything it needs and nothing else.
const props = defineProps<{
  step: Step
  steps: Step[]
  state: State
  panels: { id: string; name: string }[]
  fills: Fill[]
  talk?: Schemas['TalkTable']
  timer: Timer | null
  now: number
  whose: string | null
}>()
const emit = defineEmits<{
  start: []
  end: []
  skip: []
  ack: [of: { hazard: string; says: string }]
  reading: [facts: Record<string, unknown>]
  count: [what: string, by: number]
}>()
const units = useUnits()
const mine = computed(() => stepOf(props.state, props.step.id))
const begun = computed(() => mine.value.startedAt !== null)
const named = (says: string) => props.step.cautions.find((one) => one.says === says)
const hasRead = (says: string) => {
  const one = named(says)
  return one !== undefined && isRead(props.state, one)
}
const confirm = (says: string) => emit('ack', { hazard: named(says)?.hazard ?? '', says })
const unread = computed(() => unreadOf(props.step, props.state))
const waits = computed(() =>
  waitsFor(props.step, props.state, props.steps).map((id) => props.steps.find((step) => step.id === id)?.name ?? id),
)
// What can't begin yet is only announced.
const later = computed(() => waits.value.length > 0 && !begun.value)
const early = computed(() => !begun.value && props.timer?.phase === 'works')
const since = computed(() => (mine.value.startedAt === null ? null : clock(props.now - mine.value.startedAt)))
const doses = computed(() => dosesFor(props.step, props.fills, units.volume))
// Panels are ticked by counting them: nought or one.
const donePanels = computed(() =>
  props.step.panels.filter((panel) => (props.state.counts[`${props.step.id}/${panel}`] ?? 0) > 0),
)
const deconned = computed(() =>
  props.steps.some(
    (one) =>
      one.group === 'decon' && stepOf(props.state, one.id).endedAt !== null && !stepOf(props.state, one.id).skipped,
  ),
)
function toggle(panel: string) {
  emit('count', `${props.step.id}/${panel}`, donePanels.value.includes(panel) ? -1 : 1)
}
</script>

<template>
  <article class="step" :class="{ later }" :aria-label="step.name">
    <p class="of small">
      <span v-if="whose">{{ whose }}</span>
      <span
        >{{ $t('step-card.about-min', { minutes: step.minutes })
        }}<template v-if="step.pace_from >= 3">{{ $t('step-card.at-your-pace') }}</template></span
      >
      <span v-if="since" class="since">{{ since }}</span>
    </p>
    <h2>{{ step.name }}</h2>
    <template v-if="!later">
      <p v-if="step.only_if" class="maybe">
        <strong>{{ $t('step-card.only-if-the-water-asks-for') }}</strong> {{ step.only_if }}
      </p>

      <Cautions v-if="step.cautions.length" :cautions="step.cautions" :is-read="hasRead" @read="confirm" />

      <ul v-if="doses.length" class="doses">
        <li v-for="dose in doses" :key="dose.name + dose.zone">
          <strong>{{ dose.name }}</strong> <span>{{ dose.says }}</span>
        </li>
      </ul>
      <ul v-if="step.how.length" class="how">
        <li v-for="line in step.how" :key="line">{{ line }}</li>
      </ul>

      <StepReadings
        v-if="['look', 'read', 'topper-rinse', 'topper-wipe'].includes(step.kind)"
        :kind="step.kind"
        :state="state"
        :deconned="deconned"
        :table="talk"
        @reading="emit('reading', $event)"
      />
      <UnfoldedBody
        v-if="step.panels.length"
        :panels="panels"
        :here="step.panels"
        :done="donePanels"
        :label="$t('step-card.panels', { done: donePanels.length, all: step.panels.length })"
        @toggle="toggle"
      />
      <SecondLook :step="step" :counts="state.counts" @count="(what, by) => emit('count', what, by)" />
      <TextileCount :textiles="step.textiles" :counts="state.counts" @count="(what, by) => emit('count', what, by)" />
    </template>
    <p v-if="waits.length" class="quiet">{{ $t('step-card.waits-for', { join: waits.join(', ') }) }}</p>
    <p v-else-if="early && timer" class="quiet">
      {{ $t('step-card.the-product-works-for', { clock: clock(timer.opens - now) }) }}
    </p>
    <p v-if="unread.length && !begun" class="quiet">{{ $t('step-card.read-and-confirm-what-can') }}</p>
    <div v-if="!later" class="do">
      <button
        v-if="!begun"
        type="button"
        class="act"
        :disabled="waits.length > 0 || unread.length > 0"
        @click="emit('start')"
      >
        {{ early ? $t('step-card.begin-early') : $t('step-card.begin') }}
      </button>
      <button v-else type="button" class="act" @click="emit('end')">{{ $t('step-card.done') }}</button>
      <button type="button" class="beside" @click="emit('skip')">
        {{ begun ? $t('step-card.leave') : $t('step-card.skip') }}
      </button>
    </div>
  </article>
</template>

<style scoped>
.step {
  display: grid;
  gap: var(--s3);
  padding: var(--s4);
  background: var(--sheet);
  border: 1px solid var(--line-strong);
  border-radius: var(--edge);
  box-shadow: var(--shadow);
}

.of {
  display: flex;
  gap: var(--s3);
  margin: 0;
  color: var(--ink-2);
}

.since {
  margin-left: auto;
  font-weight: 700;
  font-variant-numeric: tabular-nums;
  color: var(--ink);
}

h2 {
  margin: -4px 0 0;
  font-size: 27px;
  line-height: 1.15;
}

.later {
  box-shadow: none;
  background: none;
}

.later h2 {
  font-size: 20px;
}

.maybe {
  margin: 0;
  padding: var(--s2) var(--s3);
  border-left: 4px solid var(--film);
  background: var(--film-mist);
}

ul {
  margin: 0;
  padding: 0;
  list-style: none;
  display: grid;
  gap: var(--s2);
}

.doses li {
  display: grid;
  padding: var(--s2) 0;
  border-top: 1px solid var(--line);
  font-size: 17px;
}

.how li {
  padding-left: 18px;
  position: relative;
}

.how li::before {
  content: '';
  position: absolute;
  left: 2px;
  top: 0.55em;
  width: 8px;
  height: 2px;
  background: var(--film);
}

p {
  margin: 0;
}

.do {
  display: grid;
  grid-template-columns: 3fr 1fr;
  gap: var(--s2);
  position: sticky;
  bottom: 62px;
  margin: 0 calc(-1 * var(--s4)) calc(-1 * var(--s4));
  padding: var(--s3) var(--s4);
  background: var(--sheet);
  border-top: 1px solid var(--line);
}

.do button {
  min-height: 64px;
  font-size: 19px;
}
</style>
