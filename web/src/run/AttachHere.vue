<script setup lang="ts">
import { ref } from 'vue'
import { asRefused, type Refused } from '../api/client'
import FileDrop from '../display/FileDrop.vue'
import Problems from '../display/Problems.vue'
import { attachFile, KINDS } from '../record/attach'
import { say } from '../words'

/** A photograph of what is seen at this step; it lies beside the record. */
const props = defineProps<{ run: number; step: string }>()
const emit = defineEmits<{ attached: [] }>()
const refused = ref<Refused | null>(null)
const said = ref('')

async function attach(file: File) {
  refused.value = null
  said.value = ''
  try {
    await attachFile(props.run, file, props.step)
    said.value = say('record.files.attached', file.name)
    emit('attached')
  } catch (e) {
    refused.value = asRefused(e)
  }
}
</script>

<template>
  <div class="attach">
    <FileDrop :label="say('record.files.add')" :accept="KINDS" @file="attach" />
    <span v-if="said" role="status">{{ said }}</span>
    <Problems :refused="refused" />
  </div>
</template>

<style scoped>
.attach {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  align-items: center;
}
</style>
