<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import { useUnits } from '@/lib/units'
import Cautions from './Cautions.vue'
import { dosesFor, type Fill } from './doses'
import { isRead, stepOf, type State } from './fold'
import { clock } from './timers'
import { unreadOf, type Card } from './work'

// One thing, in letters that are read at arm's length; the rest is spoken.
const props = defineProps<{ card: Card; state: State; fills: Fill[]; now: number; told: string }>()
defineEmits<{ next: []; ack: [of: { hazard: string; says: string }] }>()
const units = useUnits()
const step = computed(() => props.card.step)
const mine = computed(() => stepOf(props.state, step.value.id))
const doses = computed(() => dosesFor(step.value, props.fills, units.volume))
const grave = computed(() => unreadOf(step.value, props.state))
const known = (says: string): Schemas['SheetCaution'] | undefined =>
  step.value.cautions.find((one) => one.says === says)
const hasRead = (says: string) => {
  const one = known(says)
  return one !== undefined && isRead(props.state, one)
}
</script>

<template>
  <article class="far" :aria-label="step.name">
    <h2>{{ step.name }}</h2>
    <p v-for="dose in doses" :key="dose.name + dose.zone" class="dose">
      <strong>{{ dose.name }}</strong> {{ dose.says }}
    </p>
    <Cautions
      v-if="grave.length"
      :cautions="grave"
      :is-read="hasRead"
      @read="(says) => $emit('ack', { hazard: known(says)?.hazard ?? '', says })"
    />
    <p v-if="told" class="dose" role="status">{{ told }}</p>
    <p v-if="mine.startedAt !== null" class="since" aria-hidden="true">{{ clock(now - mine.startedAt) }}</p>
    <button type="button" class="act" @click="$emit('next')">
      {{ mine.startedAt === null ? $t('step-card.begin') : $t('step-card.done') }}
    </button>
  </article>
</template>

<style scoped>
.far {
  display: grid;
  gap: var(--s4);
}

h2 {
  margin: 0;
  font-size: clamp(34px, 11vw, 72px);
  line-height: 1.08;
  hyphens: auto;
}

.dose {
  margin: 0;
  font-size: clamp(22px, 6.2vw, 36px);
  line-height: 1.25;
}

.since {
  margin: 0;
  font-size: clamp(34px, 12vw, 72px);
  font-weight: 700;
  font-variant-numeric: tabular-nums;
}

.act {
  min-height: 24vh;
  font-size: clamp(30px, 9vw, 56px);
}
</style>
