<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { refDebounced, useElementSize } from '@vueuse/core'
import { computed, ref, toRef, useTemplateRef, watch } from 'vue'
import { api, told } from '@/api/client'
import { timeScale } from '@/film/geometry'
import { shortDay } from '@/lib/dates'
import { useMe } from '@/lib/session'
import { useToppers } from '@/lib/toppers'
import Field from '@/parts/Field.vue'
import OneOf from '@/parts/OneOf.vue'
import ProblemNote from '@/parts/ProblemNote.vue'
import AheadDrawing from './AheadDrawing.vue'
import { dateOf, moved, momentOf, withTopper, withWash, type Planned } from './tryAhead'

// The weeks to come as a toy: drag a wash or the topper along, and see what the protection makes of it. Nothing is planned by it.
const props = defineProps<{ vehicleId: string; today: string }>()
const { zone } = useMe()
const REACH = 84
const first = computed(() => dateOf(Date.parse(props.today) + 86_400_000))
const last = computed(() => dateOf(Date.parse(props.today) + REACH * 86_400_000))
const plan = ref<Planned | null>(null)
const path = computed(() => ({ params: { path: { vehicle: props.vehicleId } } }))
const found = useToppers(toRef(props, 'vehicleId'))
const toppers = computed(() => found.value ?? {})
const body = computed(() =>
  plan.value === null
    ? {}
    : {
        washes: plan.value.washes,
        toppers: plan.value.topper ? [{ on: plan.value.topper, product_id: plan.value.productId }] : [],
      },
)
const asked = refDebounced(body, 120)
const { data, error } = useQuery({
  queryKey: ['vehicle', () => props.vehicleId, 'try', asked],
  queryFn: () => told(api.POST('/api/v1/vehicles/{vehicle}/film/try', { ...path.value, body: asked.value })),
  placeholderData: (before) => before,
})
watch([data, toppers], () => {
  if (plan.value || !data.value || !found.value) return
  const due = data.value.stands.layers[0]?.due_on
  const productId = Object.keys(toppers.value)[0] ?? ''
  const start = { washes: data.value.rhythm, topper: null, productId }
  plan.value = productId && due && due <= last.value ? withTopper(start, due) : start
})

const lane = useTemplateRef('lane')
const { width } = useElementSize(lane)
const x = computed(() => timeScale(props.today, `${last.value}T12:00:00Z`, Math.max(1, width.value)))
const px = (date: string) => x.value(momentOf(date))

let held: { date: string; kind: 'wash' | 'topper' } | null = null
function grab(event: PointerEvent, date: string, kind: 'wash' | 'topper') {
  held = { date, kind }
  ;(event.currentTarget as HTMLElement).setPointerCapture(event.pointerId)
}
function drag(event: PointerEvent) {
  if (!held || !plan.value || !lane.value) return
  const share = (event.clientX - lane.value.getBoundingClientRect().left) / width.value
  const to = moved(dateOf(Date.parse(props.today) + share * REACH * 86_400_000), 0, first.value, last.value)
  if (held.kind === 'topper') plan.value = withTopper(plan.value, to)
  else {
    const next = withWash(plan.value, held.date, to)
    if (next !== plan.value) held.date = to
    plan.value = next
  }
}
function key(event: KeyboardEvent, date: string, kind: 'wash' | 'topper') {
  const by = { ArrowLeft: -1, ArrowRight: 1, PageUp: -7, PageDown: 7 }[event.key]
  if (!plan.value) return
  if (event.key === 'Delete' && kind === 'wash')
    plan.value = {
      ...plan.value,
      washes: plan.value.washes.filter((one) => one !== date),
      topper: plan.value.topper === date ? null : plan.value.topper,
    }
  else if (by === undefined) return
  else if (kind === 'wash') plan.value = withWash(plan.value, date, moved(date, by, first.value, last.value))
  else {
    const i = plan.value.washes.indexOf(date) + Math.sign(by)
    plan.value = { ...plan.value, topper: plan.value.washes[i] ?? date }
  }
  event.preventDefault()
}
function add() {
  if (!plan.value) return
  const free = plan.value.washes.at(-1) ?? first.value
  const date = moved(free, 7, first.value, last.value)
  if (!plan.value.washes.includes(date)) plan.value = { ...plan.value, washes: [...plan.value.washes, date].sort() }
}
const day = (date: string) => shortDay(date, zone.value)
</script>

<template>
  <section class="try sheet" aria-label="What if">
    <h2>What if?</h2>
    <p class="quiet small">
      Drag a wash or the topper along the weeks; arrow keys move the one in focus, Delete takes a wash out. Nothing is
      planned by it.
    </p>
    <ProblemNote :problem="error" />
    <div ref="lane" class="lane">
      <AheadDrawing v-if="width > 50 && data" :tried="data" :today="today" :last="last" :width="width" />
      <template v-if="plan && width > 50">
        <button
          v-for="(date, i) in plan.washes"
          :key="i"
          type="button"
          class="grip"
          :class="{ topper: plan.topper === date }"
          :style="{ left: `${px(date)}px` }"
          :aria-label="`Wash on ${day(date)}${plan.topper === date ? ', with the topper' : ''}`"
          @pointerdown="grab($event, date, 'wash')"
          @pointermove="drag"
          @pointerup="held = null"
          @keydown="key($event, date, 'wash')"
        >
          <span aria-hidden="true">{{ day(date).replace(/ \d{4}$/, '') }}</span>
        </button>
        <button
          v-if="plan.topper"
          type="button"
          class="cap"
          :style="{ left: `${px(plan.topper)}px` }"
          :aria-label="`Topper on ${day(plan.topper)}`"
          @pointerdown="grab($event, plan.topper, 'topper')"
          @pointermove="drag"
          @pointerup="held = null"
          @keydown="key($event, plan.topper, 'topper')"
        >
          topper
        </button>
      </template>
    </div>
    <template v-if="plan && data">
      <ul class="says" aria-live="polite">
        <li v-for="one in data.says" :key="one">{{ one }}</li>
        <li v-for="layer in data.tried.layers" :key="String(layer.fresh)">
          {{ layer.fresh ? 'The new' : 'The present' }} {{ layer.name ?? 'layer' }}:
          {{ layer.due_on ? `due ${day(layer.due_on)}` : 'no date within reach'
          }}<template v-if="layer.from_on && layer.late_on">
            ({{ day(layer.from_on) }} to {{ day(layer.late_on) }})</template
          >.
        </li>
      </ul>
      <div class="row">
        <Field v-if="Object.keys(toppers).length" label="Topper"
          ><template #default="f"><OneOf v-bind="f" v-model="plan.productId" :options="toppers" /></template
        ></Field>
        <button v-if="plan.topper" type="button" class="beside" @click="plan.topper = null">Without a topper</button>
        <button v-else-if="plan.productId" type="button" class="beside" @click="plan = withTopper(plan, first)">
          With a topper
        </button>
        <button type="button" class="beside" @click="add">One wash more</button>
        <button type="button" class="words" @click="plan = { ...plan, washes: data.rhythm, topper: null }">
          Back to its rhythm
        </button>
      </div>
    </template>
  </section>
</template>

<style scoped>
.try {
  margin-bottom: var(--s5);
}

.lane {
  position: relative;
  margin: var(--s3) 0;
  min-height: 170px;
}

.grip,
.cap {
  position: absolute;
  transform: translateX(-50%);
  touch-action: none;
  cursor: ew-resize;
  border: 1px solid var(--ink-2);
  border-radius: var(--edge);
  background: var(--sheet);
  color: var(--ink);
  font-size: 13px;
  white-space: nowrap;
}

.grip {
  top: 120px;
  min-width: 44px;
  min-height: 44px;
  padding: 2px 4px;
}

.grip.topper {
  border-color: var(--film-deep);
  box-shadow: inset 0 4px 0 var(--film);
}

.cap {
  top: 14px;
  min-height: 32px;
  padding: 2px 8px;
  background: var(--film-mist);
  border-color: var(--film-deep);
}

.says {
  margin: 0 0 var(--s3);
  padding-left: 18px;
}

.row {
  align-items: end;
}
</style>
