<script setup lang="ts">
import { useQueryClient } from '@tanstack/vue-query'
import { computed, onMounted, ref } from 'vue'
import type { Schemas } from '@/api/client'
import { newId } from '@/lib/ids'
import { useMe } from '@/lib/session'
import { giveUp, outbox, queue, whenDone } from '@/offline/outbox'
import type { Errand } from '@/offline/store'
import ProblemNote from '@/parts/ProblemNote.vue'
import { useAlarm } from './alarm'
import AllSteps from './AllSteps.vue'
import CloseSheet from './CloseSheet.vue'
import { useDriveway } from './driveway'
import { turnOf, type Closing } from './closing'
import FoundSheet from './FoundSheet.vue'
import HandOver from './HandOver.vue'
import NotTaken from './NotTaken.vue'
import PhotoTake from './PhotoTake.vue'
import SheetBegin from './SheetBegin.vue'
import SheetEnd from './SheetEnd.vue'
import { useSheet } from './useSheet'
import VisitRibbon from './VisitRibbon.vue'
import WhatChanged from './WhatChanged.vue'
import WorkNow from './WorkNow.vue'

// The visit on the driveway: one step at a time, for one phone or two, with signal or without.
const props = defineProps<{ id: string }>()
const { me } = useMe()
const queries = useQueryClient()
const sheet = useSheet(props.id, () => me.value?.name)
const { kept, state, steps, running, now, changed } = sheet
const open = ref<'steps' | 'all' | 'found' | 'photos' | 'close' | 'hand-over'>('steps')
const finished = ref<string | null>(null)
/** A step taken before its turn, from the list of all. */
const chosen = ref<string | null>(null)

const plan = computed(() => kept.value?.sheet.plan)
const person = computed(() => kept.value?.person ?? 0)
const begun = computed(() => state.value.begunAt !== null)
const over = computed(() => steps.value.length > 0 && sheet.done.value.length === steps.value.length)
const working = computed(() => begun.value && !over.value && !finished.value)
const { sound, saying } = useAlarm(running, working)
const { gloves } = useDriveway()
const elapsed = computed(() =>
  state.value.begunAt === null ? 0 : Math.floor((now.value - state.value.begunAt) / 60_000),
)
const refusedHere = computed(() => outbox.refused.filter((errand) => errand.sheet === props.id))

/** Somebody had closed it already: what was done here stands beside it. */
const beside = computed(() => sheet.events.value.some((event) => event.kind === 'finish' && Boolean(event.conflict)))

onMounted(sheet.load)
whenDone(async (errand, answer) => {
  if (errand.sheet !== props.id || errand.kind !== 'finish') return
  // What was typed stays until the server has it: a refused closing can be mended.
  localStorage.removeItem(`close-${props.id}`)
  finished.value = (answer as Schemas['SheetFinished']).turn.id
  await queries.invalidateQueries()
})

async function close(draft: Closing) {
  if (!kept.value) return
  const body = turnOf(kept.value, state.value, draft, now.value)
  const { sheet: laid } = kept.value
  await sheet.attempt(async () => {
    await queue({ key: draft.id, sheet: props.id, vehicle: laid.vehicle.id, kind: 'finish', body })
    if (kept.value) await sheet.put({ ...kept.value, sheet: { ...kept.value.sheet, status: 'finished' } })
    open.value = 'steps'
  })
}
/** A closing the server would not have goes back to its form, with everything that was typed. */
async function mend(errand: Errand) {
  if (!kept.value) return
  await sheet.put({ ...kept.value, sheet: { ...kept.value.sheet, status: 'begun' } })
  await giveUp(errand)
  open.value = 'close'
}
/** Asked of the server and not answered yet. */
const asked = computed(() => outbox.waiting > 0 && laying.value)
const laying = ref(false)
whenDone((errand) => {
  if (errand.sheet === props.id && errand.kind === 'rematch') laying.value = false
})

async function without(product: string) {
  await rematch({ without: [...(kept.value?.sheet.facts.without ?? []), product] })
}
async function rematch(facts: Partial<Schemas['SheetFacts']>, crew?: number) {
  if (!kept.value) return
  const { sheet: now } = kept.value
  laying.value = true
  const body: Schemas['RematchInput'] = {
    facts: { ...now.facts, ...facts },
    ...(crew ? { crew } : {}),
    done: sheet.done.value.map((step) => step.id),
  }
  await queue({ key: newId(), sheet: props.id, vehicle: now.vehicle.id, kind: 'rematch', body })
}
</script>

<template>
  <div class="page narrow sheet-place" :class="{ gloves }">
    <ProblemNote :problem="sheet.problem.value" />
    <p v-if="!kept && !sheet.problem.value" class="quiet" role="status">{{ $t('sheet-place.fetching-the-sheet') }}</p>
    <template v-if="kept && plan">
      <header>
        <div class="title">
          <h1>{{ kept.sheet.vehicle.name }}</h1>
          <span class="small quiet"
            ><RouterLink to="/round">{{ $t('sheet-place.round') }}</RouterLink> ·
            {{ kept.sheet.site?.name ?? $t('sheet-place.no-place') }}</span
          >
        </div>
        <p v-if="begun && !over" class="small minute" aria-live="off">
          {{ $t('sheet-place.minute', { elapsed })
          }}<template v-if="plan.finish">
            {{ $t('sheet-place.of-about', { max: Math.max(plan.finish, elapsed) }) }}</template
          >
        </p>
      </header>
      <VisitRibbon v-if="begun" :steps="steps" :state="state" :finish="plan.finish" :crew="kept.sheet.crew" />
      <p class="hidden-text" role="status" aria-live="assertive">{{ saying }}</p>

      <WhatChanged :changes="changed" :asked="asked" @read="changed = null" />
      <NotTaken :errands="refusedHere" @mend="mend" />

      <SheetEnd v-if="kept.sheet.status === 'finished'" :turn="finished ?? kept.sheet.turn_id" :beside="beside" />
      <SheetBegin
        v-else-if="!begun && open === 'steps'"
        :kept="kept"
        :person="person"
        @begin="sheet.say('begin')"
        @person="sheet.choosePerson"
        @crew="(crew) => rematch({}, crew)"
        @without="without"
        @shade="rematch({ place: { ...kept.sheet.facts.place, shade: true }, panel_c: null })"
        @scope="(scope) => sheet.rescope(scope).then(() => rematch({ scope }))"
        @found="open = 'found'"
      />
      <FoundSheet
        v-else-if="open === 'found'"
        :kept="kept"
        :state="state"
        @found="sheet.find"
        @sun="(panel_c, sun_w_m2) => sheet.say('sun', null, { panel_c, sun_w_m2 })"
        @close="open = 'steps'"
      />
      <PhotoTake
        v-else-if="open === 'photos'"
        :photos="sheet.photos.value"
        :stage="over ? 'after' : begun && sheet.done.value.length > 2 ? 'during' : 'before'"
        @photo="sheet.photograph"
      />
      <AllSteps
        v-else-if="open === 'all'"
        :steps="steps"
        :state="state"
        :crew="kept.sheet.crew"
        :events="sheet.events.value"
        @show="(id) => ((chosen = id), (open = 'steps'))"
      />
      <HandOver
        v-else-if="open === 'hand-over'"
        @to="(to, name) => (sheet.say('hand-over', null, { to, name }), (open = 'steps'))"
        @close="open = 'steps'"
      />
      <CloseSheet
        v-else-if="open === 'close'"
        :kept="kept"
        :state="state"
        :now="now"
        @close="close"
        @back="open = 'steps'"
      />
      <WorkNow
        v-else
        :sheet="sheet"
        :chosen="chosen"
        :sound="sound"
        :saying="saying"
        @sound="sound = !sound"
        @close="open = 'close'"
        @hand-over="open = 'hand-over'"
      />

      <nav
        v-if="kept.sheet.status !== 'finished' && begun && open !== 'found' && open !== 'close'"
        class="bar"
        :aria-label="$t('sheet-place.sheet')"
      >
        <button type="button" :aria-pressed="open === 'steps'" @click="open = 'steps'">
          {{ $t('sheet-place.now') }}
        </button>
        <button type="button" :aria-pressed="open === 'all'" @click="open = 'all'">
          {{ $t('sheet-place.all', { length: sheet.done.value.length, length2: steps.length }) }}
        </button>
        <button type="button" @click="open = 'found'">{{ $t('sheet-place.found') }}</button>
        <button type="button" :aria-pressed="open === 'photos'" @click="open = 'photos'">
          {{ $t('sheet-place.photo') }}
        </button>
      </nav>
    </template>
  </div>
</template>

<style scoped>
.sheet-place {
  padding-bottom: 120px;
}

header {
  margin-bottom: var(--s3);
  display: flex;
  align-items: baseline;
  justify-content: space-between;
  gap: var(--s3);
}

.title {
  display: grid;
}

h1 {
  margin: 0;
}

.minute {
  margin: 0;
  font-variant-numeric: tabular-nums;
  white-space: nowrap;
}

.visit {
  margin: 0 0 var(--s3);
}

.bar {
  position: fixed;
  inset: auto 0 0;
  z-index: 9;
  display: grid;
  grid-template-columns: repeat(4, 1fr);
  background: var(--paper);
  border-top: 2px solid var(--ink);
}

.bar button {
  min-height: 62px;
  border: 0;
  background: none;
  font: 650 17px var(--text);
  color: var(--ink);
  cursor: pointer;
}

/* A glove's finger is wider than a finger, and hits beside it. */
.gloves :deep(:is(.act, .beside, .bar button, summary)) {
  min-height: 88px;
  font-size: 21px;
}

.gloves :deep(:is(.do, .tools, .ways, .row)) {
  gap: var(--s4);
}

.bar [aria-pressed='true'] {
  box-shadow: inset 0 4px 0 var(--film);
}
</style>
