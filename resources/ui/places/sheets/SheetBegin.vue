<script setup lang="ts">
import { computed, ref } from 'vue'
import { useUnits } from '@/lib/units'
import { kindsSaid, numbers, ordinal, soils, waters } from '@/lib/words'
import WhyOther from '@/parts/WhyOther.vue'
import Choices from '@/parts/Choices.vue'
import Glyph from '@/parts/Glyph.vue'
import type { Kept } from '@/offline/store'
import { withoutStep } from './closing'
import { fillLine } from './doses'
import ScopeChoice from './ScopeChoice.vue'

// Before the first step: what the gate asks, what is assumed, what to fill, who works.
const props = defineProps<{ kept: Kept; person: number }>()
const emit = defineEmits<{
  begin: []
  person: [person: number]
  found: []
  crew: [crew: number]
  without: [id: string]
  shade: []
  scope: [scope: string]
}>()
const units = useUnits()
const read = ref(new Set<string>())
const sheet = computed(() => props.kept.sheet)
const plan = computed(() => sheet.value.plan)
const soil = computed(() => soils[sheet.value.facts.seen.soil]?.name.toLowerCase())
const unread = computed(() => sheet.value.gate.filter((one) => one.grave && !read.value.has(one.says)))
const people = computed(() => [
  { value: 0, name: sheet.value.crew === 2 ? 'Both on this phone' : 'All on this phone' },
  ...Array.from({ length: sheet.value.crew }, (_, i) => ({ value: i + 1, name: `I am the ${ordinal(i + 1)}` })),
])
const chosen = computed({ get: () => props.person, set: (next) => emit('person', next) })
const stepless = computed(() => withoutStep(plan.value))
const ticked = computed(() =>
  (plan.value.kinds ?? []).filter((kind) => kind !== 'wash' && !stepless.value.includes(kind)),
)
function confirm(says: string) {
  read.value = new Set([...read.value, says])
}
function take(kind: string, without: string | null) {
  if (kind === 'helper') emit('crew', sheet.value.crew + 1)
  else if (kind === 'product' && without) emit('without', without)
  else if (kind === 'shade') emit('shade')
  else emit('found')
}
</script>

<template>
  <section class="grid">
    <p v-if="sheet.facts.expected" class="note">
      Nobody has looked yet: laid out for {{ soil }}, as it was last time, and for the forecast. Say what you see once
      you are there.
    </p>
    <ul v-if="sheet.gate.length" class="gate" aria-label="What the place asks">
      <li v-for="one in sheet.gate" :key="one.says" :class="{ grave: one.grave }">
        <Glyph name="care" /> <span>{{ one.says }}</span>
        <button
          v-if="one.grave && !read.has(one.says)"
          type="button"
          class="beside"
          :aria-label="`Understood: ${one.says}`"
          @click="confirm(one.says)"
        >
          Understood
        </button>
      </li>
    </ul>

    <div v-if="plan.finish === null" class="stuck" role="alert">
      <h2>Not as it stands</h2>
      <p v-for="one in plan.problems" :key="one">{{ one }}</p>
      <template v-if="plan.remedies.length">
        <h3>What would help</h3>
        <ul>
          <li v-for="one in plan.remedies" :key="one.says">
            <span>{{ one.says }}</span>
            <button
              type="button"
              class="beside"
              :aria-label="`Do that: ${one.says}`"
              @click="take(one.kind, one.without)"
            >
              Do that
            </button>
          </li>
        </ul>
      </template>
    </div>
    <template v-else>
      <p class="sum">
        <strong>About {{ plan.finish }} minutes</strong
        >{{ sheet.crew === 1 ? ' alone' : ` for ${numbers[sheet.crew - 1]}`
        }}{{ plan.proven ? ', the earliest there is' : '' }}. {{ plan.steps.length }} steps,
        {{ waters[plan.water]?.toLowerCase() }} for the last rinse.
      </p>
      <p v-if="plan.totals?.nine_in_ten" class="small quiet">
        Nine times in ten within {{ plan.totals.nine_in_ten }} minutes.
      </p>
      <WhyOther v-if="plan.expected" :expected="plan.expected" :minutes="plan.finish" />
      <p v-if="ticked.length">
        Planned beside the wash: <strong>{{ kindsSaid(ticked) }}</strong>. Each is a step to tick.
      </p>
      <p v-if="stepless.length" class="note begins">
        <strong>{{ kindsSaid(stepless) }}</strong> was planned too, but as things stand there is no step for it.
        <template v-if="stepless.includes('topper')">{{ plan.topper.why }}</template> The plan takes it up again.
      </p>
      <ScopeChoice :kept="kept" @take="(one) => emit('scope', one)" />
      <p v-for="one in plan.problems" :key="one" class="note">{{ one }}</p>
    </template>

    <div v-if="plan.fills.length">
      <h2>To fill, in this order</h2>
      <ol class="fills">
        <li v-for="fill in plan.fills" :key="fill.product + fill.for + fill.vessel">
          <strong>{{ fill.vessel ?? (fill.product_id === null ? 'A bucket' : 'From its bottle') }}</strong>
          <span>{{ fillLine(fill, units.volume) }}</span>
          <span v-if="fill.says" class="small quiet">{{ fill.says }}</span>
        </li>
      </ol>
    </div>
    <div v-if="plan.missing.length" class="note">
      <h2>Not known, or not on the shelf</h2>
      <ul>
        <li v-for="one in plan.missing" :key="one">{{ one }}</li>
      </ul>
    </div>

    <Choices
      v-if="sheet.crew > 1"
      v-model="chosen"
      label="Who holds this phone?"
      :options="people"
      :columns="1"
      compact
    />
    <div class="row">
      <label class="crew"
        >We are
        <select :value="sheet.crew" @change="emit('crew', Number(($event.target as HTMLSelectElement).value))">
          <option v-for="n in 8" :key="n" :value="n">{{ n === 1 ? 'one, alone' : numbers[n - 1] }}</option>
        </select></label
      >
      <button type="button" class="beside" @click="emit('found')">Say what you see</button>
    </div>
    <p v-if="unread.length" class="quiet">Read and confirm what the place asks before you begin.</p>
    <div class="thumb">
      <button type="button" class="act" :disabled="plan.finish === null || unread.length > 0" @click="emit('begin')">
        Begin the visit
      </button>
    </div>
  </section>
</template>

<style scoped>
.begins::first-letter {
  text-transform: uppercase;
}

.note,
.sum {
  margin: 0;
}

.note {
  padding: var(--s2) var(--s3);
  border-left: 4px solid var(--film);
  background: var(--film-mist);
}

.sum {
  font-size: 18px;
}

ul,
ol {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  gap: var(--s2);
}

.gate li,
.stuck li {
  display: flex;
  flex-wrap: wrap;
  gap: var(--s2);
  align-items: center;
  padding: var(--s2) var(--s3);
  border-left: 4px solid var(--line-strong);
  background: var(--sheet);
}

.gate .grave {
  border-color: var(--refused);
  background: var(--refused-wash);
}

li > span {
  flex: 1 1 200px;
}

.stuck {
  display: grid;
  gap: var(--s2);
  padding: var(--s3) var(--s4);
  border: 2px solid var(--refused);
}

.stuck p {
  margin: 0;
}

.fills li {
  display: grid;
  padding: var(--s2) 0;
  border-top: 1px solid var(--line);
}

.beside {
  min-height: 52px;
}

.thumb {
  position: sticky;
  bottom: 0;
  padding: var(--s3) 0;
  background: var(--paper);
}

.thumb .act {
  width: 100%;
  min-height: 64px;
  font-size: 19px;
}
</style>
