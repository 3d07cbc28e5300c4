<script setup lang="ts">
defineOptions({ inheritAttrs: false })
defineProps<{ id?: string; describedby?: string; suffix?: string }>()
const value = defineModel<string | null>()
</script>

<template>
  <ElInput :id="id" v-model="value" v-bind="$attrs" :aria-describedby="describedby" :validate-event="false">
    <template v-if="suffix" #suffix
      ><span aria-hidden="true">{{ suffix }}</span></template
    >
  </ElInput>
</template>
