<script setup lang="ts">
import { computed } from 'vue'
import { api, told } from '@/api/client'
import { shortDay } from '@/lib/dates'
import { useDeed } from '@/lib/deed'
import { useMe } from '@/lib/session'

// What goes in some days and may still come back: an account, a workspace.
const { me, workspace, isOwner, zone } = useMe()
const { busy, attempt } = useDeed('me')
const account = computed(() => me.value?.leaves_at)
const ends = computed(() => workspace.value?.ends_at)
const stay = () => attempt(() => told(api.POST('/api/v1/me/stay')))
const keep = () => attempt(() => told(api.POST('/api/v1/workspace/keep')))
</script>

<template>
  <aside v-if="account || ends" class="last" aria-label="Going soon">
    <p v-if="account" class="row">
      Your account goes on {{ shortDay(account, zone) }}.
      <button type="button" class="beside" :disabled="busy" @click="stay">Stay after all</button>
    </p>
    <p v-if="ends" class="row">
      {{ workspace?.name }} ends on {{ shortDay(ends, zone) }}, with everything in it.
      <button v-if="isOwner" type="button" class="beside" :disabled="busy" @click="keep">Keep it</button>
    </p>
  </aside>
</template>

<style scoped>
.last {
  padding: var(--s2) var(--s5);
  background: var(--due-wash);
  border-bottom: 1px solid var(--line);
}

p {
  margin: 0;
}
</style>
