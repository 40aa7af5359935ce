<script setup lang="ts">
import Button from 'primevue/button'
import { ref } from 'vue'
import { asRefused, call, type Refused, type Schema } from '../api/client'
import FileDrop from '../display/FileDrop.vue'
import Problems from '../display/Problems.vue'
import { when } from '../display/time'
import { say } from '../words'
import { attachFile, KINDS } from './attach'

/** What lies beside a record: photographs to look at, files to fetch. Until both have signed more can be laid there. */
const props = defineProps<{ record: Schema['RecordView'] }>()
const emit = defineEmits<{ changed: [] }>()
const refused = ref<Refused | null>(null)
const said = ref('')
const busy = ref(false)

function address(f: Schema['AttachedView']) {
  return `/api/runs/${props.record.run}/files/${f.hash}`
}

async function done(work: () => Promise<unknown>, words: string) {
  refused.value = null
  said.value = ''
  busy.value = true
  try {
    await work()
    said.value = words
    emit('changed')
  } catch (e) {
    refused.value = asRefused(e)
  } finally {
    busy.value = false
  }
}

function attach(file: File) {
  return done(() => attachFile(props.record.run, file), say('record.files.attached', file.name))
}

function takeOff(f: Schema['AttachedView']) {
  const path = `/api/runs/${props.record.run}/files/${f.seq}`
  return done(() => call('DELETE', path, undefined, true), say('record.files.taken-off', f.name))
}
</script>

<template>
  <section class="attached" :class="{ 'no-print': !record.files.length }">
    <h2>{{ say('record.files.title') }}</h2>
    <p v-if="!record.files.length">{{ say('record.files.none') }}</p>
    <ul v-else>
      <li v-for="f in record.files" :key="f.seq">
        <a :href="address(f)" download>
          <img v-if="f.type.startsWith('image/')" :src="address(f)" :alt="f.name" loading="lazy" />
          <span>{{ f.name }}</span></a
        >
        <span class="quiet small">{{ say('record.files.about', Math.ceil(f.bytes / 1000), f.by, when(f.at)) }}</span>
        <span class="hash quiet small">{{ f.hash }}</span>
        <Button
          v-if="!record.signed.locked"
          class="no-print"
          severity="secondary"
          text
          :label="say('record.files.take-off')"
          :disabled="busy"
          @click="takeOff(f)"
        />
      </li>
    </ul>
    <template v-if="!record.signed.locked">
      <FileDrop class="no-print" :label="say('record.files.add')" :accept="KINDS" @file="attach" />
      <p class="quiet small no-print">{{ say('record.files.bounds') }}</p>
    </template>
    <p v-else class="quiet small no-print">{{ say('record.files.locked') }}</p>
    <p v-if="said" role="status">{{ said }}</p>
    <Problems :refused="refused" />
  </section>
</template>

<style scoped>
.attached {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 8px;
}
ul {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(240px, 1fr));
  gap: 12px;
  list-style: none;
  margin: 0;
  padding: 0;
}
li {
  display: grid;
  align-content: start;
  justify-items: start;
  gap: 4px;
  border: 1.5px solid var(--rule);
  border-radius: 6px;
  padding: 8px;
  break-inside: avoid;
}
a {
  display: grid;
  gap: 4px;
  overflow-wrap: anywhere;
  min-height: 44px;
  align-content: center;
}
img {
  width: 100%;
  max-height: 180px;
  object-fit: contain;
}
.hash {
  overflow-wrap: anywhere;
  font-family: 'Atkinson Hyperlegible Mono', monospace;
}
</style>
