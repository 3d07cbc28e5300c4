<script setup lang="ts">
import { ref } from 'vue'

// Asked once more before it is done.
defineProps<{ name: string }>()
defineEmits<{ remove: [] }>()
const sure = ref(false)
</script>

<template>
  <button v-if="!sure" type="button" class="words" @click="sure = true">Remove…</button>
  <span v-else
    ><slot /> <button type="button" class="beside" @click="$emit('remove')">Remove {{ name }}</button></span
  >
</template>
