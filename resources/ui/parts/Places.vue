<script setup lang="ts">
import { ref, watch } from 'vue'
import { useRoute } from 'vue-router'
import { houses } from './find/places'
import Glyph from './Glyph.vue'

defineEmits<{ find: [] }>()
// A place is lit in all of its rooms.
const route = useRoute()
const here = (to: string) =>
  to === '/'
    ? route.path === '/'
    : route.path === to || route.path.startsWith(`${to}/`) || (to === '/round' && route.path.startsWith('/sheets/'))

// On a phone four places are at hand, the others behind More; a way to anywhere closes it.
const AT_HAND = 4
const more = ref(false)
watch(
  () => route.path,
  () => (more.value = false),
)
</script>

<template>
  <nav class="places" :class="{ away: route.meta.wet }" aria-label="Places" @keydown.esc="more = false">
    <RouterLink
      v-for="place in houses.slice(0, AT_HAND)"
      :key="place.to"
      :to="place.to"
      class="place"
      :class="{ here: here(place.to) }"
    >
      <Glyph :name="place.glyph" /> <span>{{ place.name }}</span>
    </RouterLink>
    <button
      type="button"
      class="place more"
      :class="{ here: houses.slice(AT_HAND).some((one) => here(one.to)) }"
      aria-controls="more-places"
      :aria-expanded="more"
      @click="more = !more"
    >
      <Glyph name="table" /> <span>More</span>
    </button>
    <div id="more-places" class="others" :class="{ shown: more }">
      <RouterLink
        v-for="place in houses.slice(AT_HAND)"
        :key="place.to"
        :to="place.to"
        class="place"
        :class="{ here: here(place.to) }"
      >
        <Glyph :name="place.glyph" /> <span>{{ place.name }}</span>
      </RouterLink>
      <button type="button" class="place only-here" @click="((more = false), $emit('find'))">
        <Glyph name="find" /> <span>Find</span>
      </button>
      <RouterLink to="/words" class="place only-here"><Glyph name="book" /> <span>Words</span></RouterLink>
    </div>
  </nav>
</template>

<style scoped>
/* Letters may be twice as large. */
.places {
  display: flex;
  flex-wrap: wrap;
  gap: var(--s1);
}

.place {
  display: flex;
  align-items: center;
  gap: 7px;
  padding: 0 var(--s3);
  text-decoration: none;
  color: var(--ink-2);
  border-bottom: 3px solid transparent;
  border-top: 3px solid transparent;
}

.others {
  display: contents;
}

button.place {
  border-left: 0;
  border-right: 0;
  background: none;
  font-family: inherit;
  font-size: inherit;
  cursor: pointer;
}

.more,
.only-here {
  display: none;
}

.place:hover {
  color: var(--ink);
}

.place.here {
  color: var(--ink);
  font-weight: 650;
  border-bottom-color: var(--film);
}

@media (max-width: 1240px) {
  .place {
    padding: 0 var(--s2);
  }
}

@media (max-width: 700px) {
  .places {
    position: fixed;
    inset: auto 0 0;
    z-index: 10;
    background: var(--sheet);
    border-top: 1px solid var(--line-strong);
    padding-bottom: env(safe-area-inset-bottom);
  }

  .place,
  button.place {
    flex: 1;
    flex-direction: column;
    justify-content: center;
    gap: 2px;
    height: 58px;
    font-size: 13px;
    border-bottom: 0;
    border-top: 3px solid transparent;
  }

  .more,
  .only-here {
    display: flex;
  }

  .others {
    position: fixed;
    inset: auto 0 calc(58px + env(safe-area-inset-bottom)) 0;
    display: none;
    grid-template-columns: repeat(3, 1fr);
    background: var(--sheet);
    border-top: 1px solid var(--line-strong);
    box-shadow: 0 -6px 18px rgb(0 0 0 / 12%);
  }

  .others.shown {
    display: grid;
  }

  .others .place {
    height: 68px;
  }

  .place.here {
    border-top-color: var(--film);
  }

  /* On a sheet the thumb's edge belongs to the work. */
  .places.away {
    display: none;
  }
}
</style>
