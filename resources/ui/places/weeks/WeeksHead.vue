<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import { shortDay } from '@/lib/dates'
import { gapSaid, type Weeks } from './weeks'

// How good the plan is, what it can't do, what the last planning changed; planning again, and taking it back.
const props = defineProps<{
  weeks: Weeks
  run: Schemas['PlanRun'] | null
  going: boolean
  busy: boolean
  zone: string
}>()
const emit = defineEmits<{ plan: [afresh: boolean]; stop: []; undo: [] }>()
const grave = computed(() => props.weeks.unmet.filter((one) => /^(deadline|lock)/.test(one.what)))
const mild = computed(() => props.weeks.unmet.filter((one) => !/^(deadline|lock)/.test(one.what)))
const dates = (text: string) => text.replace(/\d{4}-\d{2}-\d{2}/g, (on) => shortDay(on, props.zone))
const names: Record<string, string> = { cadence: 'rhythm', topper: 'topper', decon: 'decontamination' }
const what = (one: Schemas['WeeksUnmet']) => dates(names[one.what] ?? one.what)
const said = (days: string[]) => days.map((one) => dates(one).replace('decon', 'decontamination')).join(', ')
</script>

<template>
  <header class="head">
    <div class="row spread">
      <div>
        <h1>Weeks</h1>
        <p v-if="weeks.plan" class="sub">
          {{ weeks.visits.length }} visits in eight weeks. {{ gapSaid(weeks.plan.cost, weeks.plan.bound) }}
        </p>
        <p v-else class="sub">Nothing is planned yet.</p>
      </div>
      <div class="row">
        <button v-if="weeks.plan" type="button" class="beside" :disabled="busy || going" @click="emit('undo')">
          Take back
        </button>
        <button
          v-if="weeks.visits.length"
          type="button"
          class="beside"
          :disabled="busy || going"
          @click="emit('plan', true)"
        >
          From scratch
        </button>
        <button type="button" class="act" :disabled="busy || going" @click="emit('plan', false)">
          {{ weeks.visits.length ? 'Plan again' : 'Plan the weeks' }}
        </button>
      </div>
    </div>
    <div v-if="going && run" class="going" role="status">
      <ElProgress :percentage="Math.round(100 * run.progress)" aria-label="How far the search is" />
      <span>Looking for a better plan… what stands stays until then.</span>
      <button type="button" class="words" @click="emit('stop')">Stop there</button>
    </div>
    <p v-else-if="run?.says && run.status !== 'done'" class="going" role="status">{{ run.says }}</p>
    <ul v-if="grave.length" class="unmet">
      <li v-for="one in grave" :key="one.vehicle_id + one.what">
        <strong>{{ one.vehicle }}: {{ what(one) }} can’t be kept.</strong> {{ dates(one.why) }}
      </li>
    </ul>
    <details v-if="mild.length">
      <summary>{{ mild.length }} {{ mild.length === 1 ? 'thing is' : 'things are' }} later than wished for</summary>
      <ul>
        <li v-for="one in mild" :key="one.vehicle_id + one.what + one.why">
          <strong>{{ one.vehicle }}</strong>, {{ what(one) }}: {{ dates(one.why) }}
        </li>
      </ul>
    </details>
    <details v-if="weeks.plan?.moves.length" class="moves">
      <summary>
        {{ weeks.plan.why.replace(/\d{4}-\d{2}-\d{2}/g, (on) => shortDay(on, zone)) }}:
        {{ weeks.plan.moves.length }} vehicle{{ weeks.plan.moves.length === 1 ? '' : 's' }} changed
      </summary>
      <ul>
        <li v-for="one in weeks.plan.moves" :key="one.vehicle">
          <strong>{{ one.vehicle }}</strong>: <s v-if="one.gone.length">{{ said(one.gone) }}</s>
          {{ one.new.length ? said(one.new) : 'no visit' }}
        </li>
      </ul>
      <p class="quiet small">
        A visit that stands moves only where that saves {{ weeks.stay }} points or more (<RouterLink
          to="/workspace/numbers"
          >advanced settings</RouterLink
        >).
      </p>
    </details>
  </header>
</template>

<style scoped>
.head {
  margin-bottom: var(--s4);
}

h1,
.sub {
  margin: 0;
}

.going {
  display: flex;
  gap: var(--s3);
  align-items: center;
  margin: var(--s3) 0;
  padding: var(--s2) var(--s3);
  background: var(--film-mist);
}

progress {
  width: 180px;
  accent-color: var(--film);
}

.unmet {
  list-style: none;
  margin: var(--s3) 0;
  padding: var(--s2) var(--s3);
  border-left: 4px solid var(--refused);
  background: var(--sheet);
}

summary {
  cursor: pointer;
  padding: 6px 0;
  text-decoration: underline;
  text-underline-offset: 3px;
}

ul {
  margin: 0 0 var(--s2);
}
</style>
