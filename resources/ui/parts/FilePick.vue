<script setup lang="ts">
import type { UploadFile } from 'element-plus'

// A file from this device: pressed, or dropped on it.
defineProps<{ accept: string; disabled?: boolean }>()
const emit = defineEmits<{ take: [file: File] }>()
function taken(file: UploadFile) {
  if (file.raw) emit('take', file.raw)
}
</script>

<template>
  <ElUpload
    class="pick"
    :accept="accept"
    :disabled="disabled"
    :auto-upload="false"
    :show-file-list="false"
    :on-change="taken"
    drag
  >
    <span class="beside"><slot /></span>
  </ElUpload>
</template>

<style scoped>
.pick :deep(.el-upload-dragger) {
  border: 0;
  padding: 0;
  background: none;
  text-align: left;
  overflow: visible;
}

.pick :deep(.el-upload) {
  display: inline-block;
}

.pick :deep(.is-dragover .beside) {
  border-color: var(--film);
  background: var(--film-mist);
}
</style>
