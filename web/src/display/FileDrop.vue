<script setup lang="ts">
import Button from 'primevue/button'
import FileUpload from 'primevue/fileupload'
import { ref } from 'vue'
import { say } from '../words'

/** A file of one kind, chosen or dropped; it is read here and goes nowhere by itself. */
const props = defineProps<{ label: string; accept: string; most?: number }>()
const emit = defineEmits<{ file: [file: File] }>()
const MOST_BYTES = 5_000_000
const most = props.most ?? MOST_BYTES
const endings = props.accept
  .split(',')
  .filter((a) => a.startsWith('.'))
  .join(', ')
const upload = ref<{ clear: () => void }>()

function take({ files }: { files: File | File[] }) {
  const file = Array.isArray(files) ? files[0] : files
  // The same file may be taken again, mended.
  upload.value?.clear()
  if (file) emit('file', file)
}
</script>

<template>
  <div class="drop">
    <FileUpload
      ref="upload"
      custom-upload
      auto
      :accept="accept"
      :max-file-size="most"
      :invalid-file-type-message="say('display.fileDrop.kind', '{0}', endings)"
      :invalid-file-size-message="say('display.fileDrop.size', '{0}', '{1}')"
      @uploader="take"
    >
      <template #header="head">
        <Button :label="label" severity="secondary" outlined @click="head.chooseCallback" />
      </template>
      <template #content="body">
        <span v-if="body.messages?.length" class="wrong" role="alert">{{ body.messages.join(' ') }}</span>
        <span v-else class="quiet small">{{ say('display.fileDrop.or-drop-it') }}</span>
      </template>
    </FileUpload>
  </div>
</template>

<style scoped>
.drop :deep(.p-fileupload) {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  background: none;
  border: 1.5px dashed var(--quiet);
  border-radius: 8px;
}
.drop :deep(.p-fileupload-header),
.drop :deep(.p-fileupload-content) {
  padding: 2px;
  background: none;
  border: 0;
}
.drop :deep(.p-fileupload-content) {
  padding: 0 12px 0 6px;
}
.drop :deep(.p-fileupload-highlight) {
  background: var(--gate-soft);
}
.wrong {
  color: var(--stop);
}
</style>
