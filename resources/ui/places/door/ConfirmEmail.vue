<script setup lang="ts">
import { onMounted, ref } from 'vue'
import { useRoute } from 'vue-router'
import { api, told } from '@/api/client'
import { useDeed } from '@/lib/deed'
import ProblemNote from '@/parts/ProblemNote.vue'
import DoorFrame from './DoorFrame.vue'

const route = useRoute()
const done = ref(false)
const { problem, attempt } = useDeed()
onMounted(async () => {
  done.value = await attempt(() =>
    told(api.POST('/api/v1/auth/confirm-email', { body: { token: String(route.query.token ?? '') } })),
  )
})
</script>

<template>
  <DoorFrame title="Your new address">
    <p v-if="done" role="status">From now on you sign in by this address.</p>
    <ProblemNote :problem="problem" />
    <p><RouterLink to="/">To Vicissa</RouterLink></p>
  </DoorFrame>
</template>
