<script setup lang="ts">
import { onKeyStroke, useLocalStorage } from '@vueuse/core'
import { computed, defineAsyncComponent, ref, useTemplateRef } from 'vue'
import { useRouter } from 'vue-router'
import { isTaken, useSingleKeys } from '@/lib/keys'
import { useMe } from '@/lib/session'
import Glyph from '@/parts/Glyph.vue'
import ProblemNote from '@/parts/ProblemNote.vue'
import SearchBox from '@/parts/SearchBox.vue'
import FilmList from './FilmList.vue'
import FilmTable from './FilmTable.vue'
import FirstVehicle from './FirstVehicle.vue'
import { groups, matches } from './groups'
import { useFilm } from './useFilm'

// Ribbons come first; what they are chosen by, a moment later in its place.
const FirstWeek = defineAsyncComponent(() => import('./FirstWeek.vue'))
const OneOf = defineAsyncComponent(() => import('@/parts/OneOf.vue'))
const { film, error, isPending } = useFilm()
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
const drawn = ref(false)
const ribbons = computed(() => film.value?.ribbons.filter((ribbon) => matches(ribbon, search.value)) ?? [])
const grouped = computed(() =>
  groups(ribbons.value).filter((group) => show.value === 'all' || group.key === show.value),
)
const shown = computed(() => grouped.value.flatMap((group) => group.ribbons))
// Nothing comes before the ribbons, where there are any.
const beside = computed(() => film.value && (drawn.value || asTable.value || shown.value.length === 0))
const searchBox = useTemplateRef('searchBox')
const single = useSingleKeys()
function step(event: KeyboardEvent, by: number) {
  if (!list.value) return
  event.preventDefault()
  void list.value.step(by)
}

const letter = (event: KeyboardEvent) => event.key.length > 1 || single.value
onKeyStroke(['ArrowDown', 'j'], (event) => letter(event) && !isTaken(event) && step(event, 1))
onKeyStroke(['ArrowUp', 'k'], (event) => letter(event) && !isTaken(event) && step(event, -1))
onKeyStroke('r', (event) => {
  const ribbon = !single.value || isTaken(event) ? undefined : list.value?.focused()
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
      <SearchBox ref="searchBox" v-model="search" class="search" label="Find a vehicle, client or layer" />
      <div class="which">
        <OneOf v-if="beside" v-model="show" aria-label="Which vehicles" :options="shows" />
      </div>
      <button type="button" class="beside" :aria-pressed="asTable" @click="asTable = !asTable">
        <Glyph name="table" /> <span class="word">As a table</span>
      </button>
      <RouterLink to="/start" class="act"><Glyph name="plus" /> <span>Vehicle</span></RouterLink>
    </div>

    <ProblemNote :problem="error" />
    <FirstWeek v-if="film && film.count < 12" />
    <p v-if="isPending" class="quiet" role="status">Drawing the ribbons…</p>

    <FirstVehicle v-else-if="film && film.ribbons.length === 0" />
    <FilmTable v-else-if="film && asTable" :ribbons="shown" />

    <template v-else-if="film">
      <FilmList v-if="shown.length" ref="list" :film="film" :grouped="grouped" :zone="zone" @drawn="drawn = true" />
      <p v-else class="nothing">
        No vehicle fits.
        <button type="button" class="words" @click="((search = ''), (show = 'all'))">Show all of them</button>
      </p>
      <p class="keys small quiet">
        <kbd>↑</kbd> <kbd>↓</kbd> along the ribbons, <kbd>Enter</kbd> opens, <kbd>r</kbd> records a turn,
        <kbd>/</kbd> finds, <kbd>n</kbd> adds a vehicle
      </p>
    </template>
  </div>
</template>

<style scoped>
.head {
  display: flex;
  align-items: center;
  gap: var(--s3);
  margin-bottom: var(--s3);
}

.which {
  width: 190px;
  min-height: 44px;
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

  .keys {
    display: none;
  }
}
</style>
