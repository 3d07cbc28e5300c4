<script setup lang="ts">
// What has no price is named: it is not in the sum, and not free.
defineProps<{ names: string[] }>()
</script>

<template>
  <p v-if="names.length" class="small unpriced">
    No price is known of {{ names.join(', ') }}: not in this, and not free.
    <RouterLink to="/shelf">Add it on the shelf</RouterLink>.
  </p>
</template>

<style scoped>
.unpriced {
  margin: 4px 0 0;
}
</style>
