<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, useTemplateRef, watch } from 'vue'
import { useRoute } from 'vue-router'
import { api, told } from '@/api/client'
import { useMe, useTheme, useLanguage } from '@/lib/session'
import { clear, seal } from '@/offline/leave'
import Glyph from './Glyph.vue'
import FindAnything from './find/FindAnything.vue'
import Shortcuts from './find/Shortcuts.vue'
import LastDays from './LastDays.vue'
import Mark from './Mark.vue'
import Places from './Places.vue'
import Unsent from './Unsent.vue'
import WentAway from './WentAway.vue'

const { me, workspace } = useMe()
const { theme, choose } = useTheme()
useLanguage()
const queries = useQueryClient()

const route = useRoute()
// What happens on the driveway is on the desk at once: one short answer is asked for, and everything else only when it changes.
// On the driveway less often, and where answers take long: nobody’s glance makes everybody wait.
const PULSE_MS = { desk: 5_000, drive: 15_000 }
const PULSE_SHARE = 20
let pulseTook = 0
const { data: pulse } = useQuery({
  queryKey: ['pulse'],
  queryFn: async () => {
    const asked = performance.now()
    try {
      return await told(api.GET('/api/v1/pulse'))
    } finally {
      pulseTook = performance.now() - asked
    }
  },
  refetchInterval: () =>
    Math.max(PULSE_MS[route.path.startsWith('/sheets/') ? 'drive' : 'desk'], PULSE_SHARE * pulseTook),
  retry: false,
})
watch(
  () => pulse.value?.mark,
  (mark, before) => {
    if (before && mark !== before)
      void queries.invalidateQueries({ predicate: ({ queryKey, meta }) => queryKey[0] !== 'pulse' && !meta?.drawn })
  },
)

const find = useTemplateRef('find')
const shortcuts = useTemplateRef('shortcuts')

const dark = computed(() => theme.value === 'dark')

async function signOut() {
  if (me.value) await seal(me.value.id)
  await told(api.POST('/api/v1/auth/sign-out'))
  queries.clear()
  await clear()
  // A page of its own: nothing of theirs stays in this one's memory either.
  location.assign('/sign-in')
}
</script>

<template>
  <a class="skip" href="#main">To the content</a>
  <header class="band">
    <RouterLink to="/" class="sign"><Mark /> <span>Vicissa</span></RouterLink>
    <Places @find="find?.open()" />
    <div class="who">
      <Unsent />
      <span class="names" :title="me?.email"
        >{{ workspace?.name }} <span class="quiet">· {{ me?.name }}</span></span
      >
      <button type="button" class="icon" aria-label="Find anything" title="Find anything (/)" @click="find?.open()">
        <Glyph name="find" />
      </button>
      <button type="button" class="icon keys" aria-label="Keys" title="Keys (?)" @click="shortcuts?.open()">?</button>
      <button
        type="button"
        class="icon"
        :aria-label="dark ? 'Light theme' : 'Dark theme'"
        @click="choose(dark ? 'light' : 'dark')"
      >
        <Glyph :name="dark ? 'light' : 'dark'" />
      </button>
      <button type="button" class="icon" aria-label="Sign out" @click="signOut"><Glyph name="out" /></button>
    </div>
  </header>
  <FindAnything ref="find" />
  <Shortcuts ref="shortcuts" @find="find?.open()" />
  <LastDays />
  <main id="main" tabindex="-1"><slot /><WentAway /></main>
</template>

<style scoped>
.skip {
  position: absolute;
  left: -999px;
}

.skip:focus {
  left: var(--s3);
  top: var(--s3);
  z-index: 20;
  background: var(--sheet);
  padding: var(--s2) var(--s3);
}

main:focus {
  outline: none;
}

.band {
  position: sticky;
  top: 0;
  z-index: 10;
  display: flex;
  align-items: stretch;
  gap: 0 var(--s4);
  min-height: 54px;
  flex-wrap: wrap;
  padding: 0 var(--s4);
  background: var(--paper);
  border-bottom: 1px solid var(--line);
}

.sign {
  display: flex;
  align-items: center;
  gap: var(--s2);
  font: italic 560 21px var(--book);
  text-decoration: none;
}

.keys {
  font: 650 18px var(--text);
}

.who {
  margin-left: auto;
  display: flex;
  align-items: center;
  gap: 0;
}

.names {
  font-size: 14px;
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
  max-width: 340px;
}

.icon {
  width: var(--touch);
  height: var(--touch);
  display: grid;
  place-items: center;
  border: 0;
  background: none;
  color: var(--ink-2);
  cursor: pointer;
}

.icon:hover {
  color: var(--ink);
}

@media (max-width: 1380px) {
  .names .quiet {
    display: none;
  }
}

@media (max-width: 1100px) {
  .names {
    display: none;
  }
}

@media (max-width: 700px) {
  .band {
    padding: 0 var(--s3);
    height: 48px;
  }

  .names {
    display: none;
  }

  .keys {
    display: none;
  }
}
</style>
