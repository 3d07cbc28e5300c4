<script setup lang="ts">
import { useWindowVirtualizer } from '@tanstack/vue-virtual'
import { useElementSize, useTimeoutFn } from '@vueuse/core'
import { computed, nextTick, ref, useTemplateRef, watchPostEffect, type ComponentPublicInstance } from 'vue'
import type { Schemas } from '@/api/client'
import TimeAxis from '@/film/TimeAxis.vue'
import { timeScale } from '@/film/geometry'
import FilmRow from './FilmRow.vue'
import type { groups } from './groups'

// However many there are, only those in sight are drawn, and some on either side.
const props = defineProps<{ film: Schemas['Film']; grouped: ReturnType<typeof groups>; zone: string }>()
const emit = defineEmits<{ drawn: [] }>()

const BESIDE = 20
/** So few are drawn all of them. */
const FEW = 80
const HEIGHT = { group: 48, row: 55 }
/** After what is in sight. */
const AFTER_MS = 100

/** At first only what is seen, so that it is seen soon; all else when it has been drawn. */
const beside = ref(0)
const { start } = useTimeoutFn(
  () => {
    beside.value = BESIDE
    emit('drawn')
  },
  AFTER_MS,
  { immediate: false },
)

const list = useTemplateRef('list')
const lane = useTemplateRef('lane')
const { width } = useElementSize(lane)
const laneWidth = computed(() => Math.max(120, Math.floor(width.value)))
const light = computed(() => timeScale(props.film.from, props.film.to, laneWidth.value)(props.film.today))

const items = computed(() =>
  props.grouped.flatMap((group) => [{ group }, ...group.ribbons.map((ribbon) => ({ ribbon }))]),
)
const keyOf = (at: number) => {
  const item = items.value[at]
  return item && 'ribbon' in item ? item.ribbon.vehicle_id : (item?.group.key ?? at)
}
const virtual = useWindowVirtualizer(
  computed(() => ({
    count: items.value.length,
    overscan: beside.value && items.value.length <= FEW ? items.value.length : beside.value,
    estimateSize: (at: number) => ('group' in (items.value[at] ?? {}) ? HEIGHT.group : HEIGHT.row),
    getItemKey: keyOf,
    scrollMargin: list.value?.offsetTop ?? 0,
  })),
)
const drawn = computed(() =>
  virtual.value.getVirtualItems().flatMap(({ index, start }) => {
    const item = items.value[index]
    return item ? [{ index, start, key: keyOf(index), item }] : []
  }),
)
const begun = watchPostEffect(() => {
  if (drawn.value.length === 0) return
  begun.stop()
  requestAnimationFrame(() => {
    // For whoever measures how long a first load takes (bin/bench).
    performance.mark('first-ribbon')
    start()
  })
})
const measure = (element: Element | ComponentPublicInstance | null) => {
  const node = element && '$el' in element ? (element.$el as Element) : element
  if (node instanceof HTMLElement) virtual.value.measureElement(node)
}

/** Where whoever goes along the ribbons by keys is, also when it has been scrolled out of sight. */
const last = ref<string>()
const held = () =>
  (document.activeElement instanceof HTMLElement ? document.activeElement.dataset.vehicle : undefined) ?? last.value

async function step(by: number) {
  const rows = items.value.flatMap((item, index) => ('ribbon' in item ? [{ index, id: item.ribbon.vehicle_id }] : []))
  const at = rows.findIndex((row) => row.id === held())
  const to = rows[Math.min(rows.length - 1, Math.max(0, at + by))]
  if (!to) return
  const find = () => list.value?.querySelector<HTMLAnchorElement>(`a[data-vehicle="${to.id}"]`)
  if (!find()) {
    virtual.value.scrollToIndex(to.index)
    await nextTick()
    await new Promise(requestAnimationFrame)
  }
  last.value = to.id
  find()?.focus()
}

defineExpose({
  step,
  focused: () => props.grouped.flatMap((group) => group.ribbons).find((ribbon) => ribbon.vehicle_id === held()),
})
</script>

<template>
  <div class="list" :style="{ '--light': light + 'px' }">
    <div class="axis-row">
      <span class="corner small quiet">most urgent first</span>
      <div ref="lane" class="lane">
        <TimeAxis :from="film.from" :to="film.to" :today="film.today" :width="laneWidth" />
      </div>
      <span class="corner end small quiet">renew by</span>
    </div>
    <div ref="list" class="all" :style="{ height: `${virtual.getTotalSize()}px` }">
      <div :style="{ transform: `translateY(${(drawn[0]?.start ?? 0) - virtual.options.scrollMargin}px)` }">
        <template v-for="{ index, key, item } in drawn" :key="key">
          <h2 v-if="'group' in item" :ref="measure" class="group" :class="item.group.key" :data-index="index">
            {{ item.group.name }} <span class="count">{{ item.group.ribbons.length }}</span>
          </h2>
          <FilmRow
            v-else
            :ref="measure"
            :data-index="index"
            :ribbon="item.ribbon"
            :film="film"
            :width="laneWidth"
            :zone="zone"
          />
        </template>
      </div>
    </div>
  </div>
</template>

<style scoped>
.list {
  --label: 210px;
  --due-col: 150px;
}

.axis-row {
  position: sticky;
  top: 54px;
  z-index: 5;
  display: grid;
  grid-template-columns: var(--label) minmax(0, 1fr) var(--due-col);
  gap: var(--s4);
  align-items: end;
  background: var(--paper);
  border-bottom: 1px solid var(--line-strong);
}

.corner {
  padding-bottom: 4px;
}

.group {
  display: flex;
  gap: var(--s2);
  align-items: baseline;
  font-size: 15px;
  font-style: italic;
  padding: var(--s4) 0 var(--s1);
}

.group.now {
  color: var(--due);
}

.count {
  font: 500 13px var(--text);
  color: var(--ink-3);
}

@media (max-width: 700px) {
  .axis-row {
    top: 48px;
    grid-template-columns: minmax(0, 1fr);
  }

  .corner {
    display: none;
  }
}
</style>
