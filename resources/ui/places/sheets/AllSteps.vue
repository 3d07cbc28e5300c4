<script setup lang="ts">
import { t } from '@/lib/i18n'
import type { SheetEvent } from '@/offline/store'
import { handsSaid } from '@/lib/words'
import { stepOf, waitsFor, type State, type Step } from './fold'

// Every step in its order: what is done, what may be done now instead, what waits for what.
const props = defineProps<{ steps: Step[]; state: State; crew: number; events: SheetEvent[] }>()
const emit = defineEmits<{ show: [id: string] }>()
/** Two phones said different things of it; the first counts, both are kept. */
const twice = (step: Step) =>
  props.events
    .filter((event) => event.step === step.id && event.conflict)
    .map((event) => `${event.by ?? 'Someone'}: ${event.conflict ?? ''}`)
function standing(step: Step): string {
  const known = stepOf(props.state, step.id)
  if (known.skipped) return t('all-steps.left-out')
  if (known.endedAt !== null) return 'done'
  if (known.startedAt !== null) return t('all-steps.going-on')
  const waits = waitsFor(step, props.state, props.steps)
  return waits.length
    ? t('all-steps.waits-for', {
        steps: waits.map((id) => props.steps.find((one) => one.id === id)?.name ?? id).join(', '),
      })
    : ''
}
</script>

<template>
  <ol class="all">
    <li v-for="step in steps" :key="step.id" :class="{ done: stepOf(state, step.id).endedAt !== null }">
      <span class="at small">{{ step.start ?? '' }}</span>
      <span class="name"
        ><strong>{{ step.name }}</strong>
        <span class="small quiet"
          >{{ $t('all-steps.min', { minutes: step.minutes })
          }}<template v-if="crew > 1">, {{ handsSaid(step.who, crew) }}</template
          ><template v-if="step.slack && !stepOf(state, step.id).endedAt">{{
            $t('all-steps.may-wait-min', { slack: step.slack })
          }}</template></span
        ></span
      >
      <span v-if="standing(step)" class="small standing">{{ standing(step) }}</span>
      <button
        v-else
        type="button"
        class="beside"
        :aria-label="$t('all-steps.do-now', { step: step.name })"
        @click="emit('show', step.id)"
      >
        {{ $t('all-steps.now') }}
      </button>
      <p v-for="one in twice(step)" :key="one" class="small twice">{{ one }}</p>
    </li>
  </ol>
</template>

<style scoped>
.all {
  list-style: none;
  margin: 0;
  padding: 0;
}

li {
  display: grid;
  grid-template-columns: 34px 1fr minmax(72px, auto);
  gap: var(--s2);
  align-items: center;
  min-height: 52px;
  padding: 4px 0;
  border-top: 1px solid var(--line);
}

.done .name strong {
  text-decoration: line-through;
  text-decoration-color: var(--film);
  text-decoration-thickness: 2px;
  font-weight: 500;
}

.at {
  text-align: right;
  color: var(--ink-3);
  font-variant-numeric: tabular-nums;
}

.name {
  display: grid;
}

.twice {
  grid-column: 2 / -1;
  margin: 0;
  padding-left: var(--s2);
  border-left: 3px solid var(--line-strong);
}

.standing {
  max-width: 150px;
  color: var(--ink-2);
}
</style>
