<script setup lang="ts">
import { useDeed } from '@/lib/deed'
import { locale } from '@/lib/i18n'
import { computed, ref } from 'vue'
import { shortDay } from '@/lib/dates'
import { useMe } from '@/lib/session'
import { useUnits } from '@/lib/units'
import { sayShare } from '@/lib/amount'
import ProblemNote from '@/parts/ProblemNote.vue'
import { useGear, type Gear } from '@/places/shelf/mix/gear'
import Calibrate from './Calibrate.vue'
import EditGear from './EditGear.vue'
import PoolWear from './PoolWear.vue'
import { useQueryClient } from '@tanstack/vue-query'
import { api, told } from '@/api/client'
import { newId } from '@/lib/ids'
import { facts, kinds, uses } from './words'

const { gear, error, isPending } = useGear()
const { zone } = useMe()
const units = useUnits()
const editing = ref<string | null>(null)
const calibrating = ref<string | null>(null)
/** Only what was saved is closed: another form may have been opened since. */
function close(what: string) {
  if (editing.value === what) editing.value = null
}
const groups = computed(() =>
  Object.entries(kinds).map(([kind, words]) => ({
    kind,
    ...words,
    all: gear.value.filter((one) => one.kind === kind),
  })),
)
const washer = computed(() => gear.value.find((one) => one.kind === 'washer')?.facts.l_min ?? null)

const queries = useQueryClient()
const { problem, attempt } = useDeed()
async function washed(one: Gear) {
  await attempt(async () => {
    await told(
      api.POST('/api/v1/gear/{gear}/events', {
        params: { path: { gear: one.id }, header: { 'Idempotency-Key': newId() } },
        body: { kind: 'washed', facts: { count: one.dirty ?? 0 } },
      }),
    )
    await queries.invalidateQueries({ queryKey: ['gear'] })
  })
}

function says(one: Gear): string {
  return (facts[one.kind] ?? [])
    .map((field) => {
      const value = (one.facts as Record<string, number | undefined>)[field.name]
      if (value === undefined) return ''
      const figure = field.volume
        ? units.volume(value)
        : field.share
          ? `${Math.round(value * 100)} %`
          : field.money
            ? (value / 100).toFixed(2)
            : `${value.toLocaleString(locale())} ${field.suffix}`.trim()
      return `${field.label.toLowerCase()} ${figure}`
    })
    .filter(Boolean)
    .join(', ')
}
</script>

<template>
  <div class="page gear">
    <p class="quiet small"><RouterLink to="/shelf">Shelf</RouterLink></p>
    <h1>Gear</h1>
    <ProblemNote :problem="error ?? problem" />
    <p v-if="isPending" class="quiet" role="status">Looking through the van…</p>
    <!-- Not before there is something to see: a list that comes in would move what a finger is about to press. -->
    <section v-for="group in isPending ? [] : groups" :key="group.kind" class="board">
      <div>
        <h2>{{ group.name }}</h2>
        <p class="small quiet">{{ group.says }}</p>
      </div>
      <div>
        <ul class="plain">
          <li v-for="one in group.all" :key="one.id">
            <div class="row spread">
              <span
                ><strong>{{ one.name }}</strong> <span class="small">{{ says(one) }}</span>
                <span v-if="one.note" class="small quiet"> · {{ one.note }}</span></span
              >
              <span class="row">
                <button v-if="one.kind === 'lance'" type="button" class="words" @click="calibrating = one.id">
                  Calibrate
                </button>
                <button type="button" class="words" @click="editing = editing === one.id ? null : one.id">
                  Change
                </button>
              </span>
            </div>
            <p v-if="one.kind === 'lance'" class="small">
              <template v-if="one.calibration"
                >Brings {{ sayShare(one.calibration.carry) }} of its bottle to the panel, measured
                {{ shortDay(one.calibration.at, zone)
                }}<template v-if="one.events.length > 1">; measured {{ one.events.length }} times</template>.</template
              >
              <template v-else>Never calibrated: only a span is known.</template>
            </p>
            <p v-if="one.kind === 'towel'" class="small row">
              <span
                >{{ uses[String((one.facts as { use?: string }).use ?? '')] ?? 'For anything' }}:
                {{ (one.facts.count ?? 0) - (one.dirty ?? 0) }} clean, {{ one.dirty ?? 0 }} dirty</span
              >
              <button
                v-if="one.dirty"
                type="button"
                class="words small"
                :aria-label="`${one.name}: all washed`"
                @click="washed(one)"
              >
                Washed
              </button>
            </p>
            <PoolWear v-if="one.kind === 'towel'" :gear="one" />
            <Calibrate
              v-if="calibrating === one.id"
              :gear="one"
              :washer="washer"
              @done="calibrating = null"
              @leave="calibrating = null"
            />
            <EditGear v-if="editing === one.id" :gear="one" :kind="one.kind" @done="close(one.id)" />
          </li>
        </ul>
        <button
          v-if="editing !== `new-${group.kind}`"
          type="button"
          class="words small"
          @click="editing = `new-${group.kind}`"
        >
          Add one
        </button>
        <EditGear v-else :kind="group.kind" @done="close(`new-${group.kind}`)" />
      </div>
    </section>
  </div>
</template>

<style scoped>
.gear {
  max-width: 980px;
}

.board {
  display: grid;
  grid-template-columns: 210px minmax(0, 1fr);
  gap: var(--s4);
  border-bottom: 5px solid var(--line);
  padding: var(--s4) 0 var(--s2);
}

.board h2 {
  font-size: 16px;
  font-style: italic;
}

p {
  margin: 0;
}

li {
  padding: 2px 0 var(--s2);
}

.words {
  min-height: 32px;
}

@media (max-width: 700px) {
  .board {
    grid-template-columns: 1fr;
    gap: var(--s1);
  }
}
</style>
