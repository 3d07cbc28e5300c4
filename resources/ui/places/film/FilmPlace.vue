<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { onKeyStroke, useElementSize, useLocalStorage } from '@vueuse/core'
import { computed, ref, useTemplateRef } from 'vue'
import { useRouter } from 'vue-router'
import { api, told, type Schemas } from '@/api/client'
import TimeAxis from '@/film/TimeAxis.vue'
import { timeScale } from '@/film/geometry'
import { useMe } from '@/lib/session'
import Glyph from '@/parts/Glyph.vue'
import OneOf from '@/parts/OneOf.vue'
import ProblemNote from '@/parts/ProblemNote.vue'
import SearchBox from '@/parts/SearchBox.vue'
import FilmRow from './FilmRow.vue'
import FilmTable from './FilmTable.vue'
import FirstVehicle from './FirstVehicle.vue'
import { groups, matches } from './groups'

// Shallow: hundreds of ribbons with dozens of points each are drawn, never changed in place.
const {
  data: film,
  error,
  isPending,
} = useQuery({ queryKey: ['film'], queryFn: () => told(api.GET('/api/v1/film')), shallow: true })
const router = useRouter()
const { zone } = useMe()

const search = ref('')
const show = useLocalStorage<string>('film-show', 'all')
const asTable = useLocalStorage('film-table', false)
const shows = {
  all: 'All vehicles',
  now: 'To renew now',
  soon: 'Within two weeks',
  later: 'Later',
  unknown: 'Nothing to go by',
}

const list = useTemplateRef('list')
const lane = useTemplateRef('lane')
const { width } = useElementSize(lane)
const laneWidth = computed(() => Math.max(120, Math.floor(width.value)))

const ribbons = computed(() => film.value?.ribbons.filter((ribbon) => matches(ribbon, search.value)) ?? [])
const grouped = computed(() =>
  groups(ribbons.value).filter((group) => show.value === 'all' || group.key === show.value),
)
const shown = computed(() => grouped.value.flatMap((group) => group.ribbons))
const light = computed(() =>
  film.value ? timeScale(film.value.from, film.value.to, laneWidth.value)(film.value.today) : 0,
)

const searchBox = useTemplateRef('searchBox')
const typing = (event: KeyboardEvent) =>
  event.target instanceof HTMLElement && event.target.matches('input, select, textarea')

function step(event: KeyboardEvent, by: number) {
  const rows = [...(list.value?.querySelectorAll<HTMLAnchorElement>('a.row') ?? [])]
  if (!rows.length) return
  const at = rows.indexOf(document.activeElement as HTMLAnchorElement)
  event.preventDefault()
  rows[Math.min(rows.length - 1, Math.max(0, at + by))]?.focus()
}

function focused(): Schemas['Ribbon'] | undefined {
  const id = document.activeElement instanceof HTMLElement ? document.activeElement.dataset.vehicle : undefined
  return shown.value.find((ribbon) => ribbon.vehicle_id === id)
}

onKeyStroke(['ArrowDown', 'j'], (event) => !typing(event) && step(event, 1))
onKeyStroke(['ArrowUp', 'k'], (event) => !typing(event) && step(event, -1))
onKeyStroke('/', (event) => {
  if (typing(event)) return
  event.preventDefault()
  searchBox.value?.focus()
})
onKeyStroke('n', (event) => !typing(event) && router.push('/start'))
onKeyStroke('r', (event) => {
  const ribbon = typing(event) ? undefined : focused()
  if (ribbon) void router.push(`/vehicles/${ribbon.vehicle_id}/turn`)
})
onKeyStroke('Escape', () => {
  if (searchBox.value?.has(document.activeElement)) {
    search.value = ''
    searchBox.value?.blur()
  }
})
</script>

<template>
  <div class="page film">
    <div class="head">
      <h1>Film</h1>
      <SearchBox ref="searchBox" v-model="search" class="search" label="Find a vehicle, owner or layer" />
      <OneOf v-model="show" aria-label="Which vehicles" class="which" :options="shows" />
      <button type="button" class="beside" :aria-pressed="asTable" @click="asTable = !asTable">
        <Glyph name="table" /> <span class="word">As a table</span>
      </button>
      <RouterLink to="/start" class="act"><Glyph name="plus" /> <span>Vehicle</span></RouterLink>
    </div>

    <ProblemNote :problem="error" />
    <p v-if="isPending" class="quiet" role="status">Drawing the ribbons…</p>

    <FirstVehicle v-else-if="film && film.ribbons.length === 0" />
    <FilmTable v-else-if="film && asTable" :ribbons="shown" />

    <div v-else-if="film" ref="list" class="list" :style="{ '--light': light + 'px' }">
      <div class="axis-row">
        <span class="corner small quiet">most urgent first</span>
        <div ref="lane" class="lane">
          <TimeAxis :from="film.from" :to="film.to" :today="film.today" :width="laneWidth" />
        </div>
        <span class="corner end small quiet">renew by</span>
      </div>
      <section v-for="group in grouped" :key="group.key" :aria-label="group.name">
        <h2 class="group" :class="group.key">
          {{ group.name }} <span class="count">{{ group.ribbons.length }}</span>
        </h2>
        <FilmRow
          v-for="ribbon in group.ribbons"
          :key="ribbon.vehicle_id"
          :ribbon="ribbon"
          :film="film"
          :width="laneWidth"
          :zone="zone"
        />
      </section>
      <p v-if="!shown.length" class="nothing">
        No vehicle fits.
        <button type="button" class="words" @click="((search = ''), (show = 'all'))">Show all of them</button>
      </p>
      <p class="keys small quiet">
        <kbd>↑</kbd> <kbd>↓</kbd> along the ribbons, <kbd>Enter</kbd> opens, <kbd>r</kbd> records a turn,
        <kbd>/</kbd> finds, <kbd>n</kbd> adds a vehicle
      </p>
    </div>
  </div>
</template>

<style scoped>
.film {
  max-width: 1480px;
}

.head {
  display: flex;
  align-items: center;
  gap: var(--s3);
  margin-bottom: var(--s3);
}

.which {
  width: 190px;
}

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

.nothing {
  padding: var(--s5) 0;
}

.keys {
  margin-top: var(--s5);
  max-width: none;
}

@media (max-width: 700px) {
  .head {
    flex-wrap: wrap;
  }

  .search {
    order: 3;
  }

  .which {
    order: 4;
    flex: 1;
  }

  .head .act {
    margin-left: auto;
  }

  .word {
    position: absolute;
    width: 1px;
    height: 1px;
    overflow: hidden;
    clip-path: inset(50%);
  }

  .beside {
    order: 5;
  }

  .axis-row {
    top: 48px;
    grid-template-columns: minmax(0, 1fr);
  }

  .corner,
  .keys {
    display: none;
  }
}
</style>
