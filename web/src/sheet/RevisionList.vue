<script setup lang="ts">
import Listbox from 'primevue/listbox'
import { say } from '../words'
import { when } from '../display/time'
import { useQuery } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { asRefused, call, type Schema } from '../api/client'
import Problems from '../display/Problems.vue'
import { changes } from './changes'
import ChangesTable from './ChangesTable.vue'

const props = defineProps<{ tag: string }>()
const { data: all } = useQuery({
  queryKey: ['revisions', props.tag],
  queryFn: () => call<Schema['RevisionSummary'][]>('GET', `/api/units/${props.tag}/revisions`),
})
const chosen = ref<number>()
const at = computed(() => chosen.value ?? all.value?.[0]?.revision ?? 0)
const { data: pair, error } = useQuery({
  queryKey: computed(() => ['revisions', props.tag, at.value]),
  queryFn: async () => {
    const read = (n: number) => call<Schema['UnitDocument']>('GET', `/api/units/${props.tag}/revisions/${n}`)
    return { after: await read(at.value), before: at.value > 1 ? await read(at.value - 1) : undefined }
  },
  enabled: computed(() => at.value > 0),
})
const made = computed(() => (pair.value?.before ? changes(pair.value.before.document, pair.value.after.document) : []))
</script>

<template>
  <div class="revisions">
    <Listbox
      :model-value="at"
      :options="all ?? []"
      option-value="revision"
      :option-label="(r: Schema['RevisionSummary']) => say('sheet.revisionList.revision', r.revision)"
      scroll-height="none"
      class="list"
      :aria-label="say('sheet.revisionList.revisions')"
      @update:model-value="(n: number | null) => n !== null && (chosen = n)"
    >
      <template #option="{ option: r }">
        <b>{{ say('sheet.revisionList.revision', r.revision) }}</b>
        <span>{{ when(r.savedAt) }}</span>
        <span v-if="r.savedBy">{{ r.savedBy }}</span>
        <span v-if="r.damaged">{{ say('display.changed.row') }}</span>
        <span v-if="!r.complete">{{ say('sheet.revisionList.not-complete') }}</span>
      </template>
    </Listbox>
    <section class="card">
      <h2>{{ say('sheet.revisionList.what-revision-changed', at) }}</h2>
      <Problems v-if="error" :refused="asRefused(error)" />
      <p v-else-if="at === 1" class="quiet">{{ say('sheet.revisionList.the-first-one') }}</p>
      <p v-else-if="!made.length" class="quiet">{{ say('sheet.revisionList.nothing') }}</p>
      <ChangesTable v-else :made="made" />

      <p class="quiet small">{{ say('sheet.revisionList.a-run-that-is') }}</p>
    </section>
  </div>
</template>

<style scoped>
.revisions {
  display: grid;
  grid-template-columns: 320px minmax(0, 1fr);
  gap: 14px;
}
.list {
  align-self: start;
}
.list :deep(.p-listbox-option) {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 12px;
  min-height: 46px;
}
@media (max-width: 800px) {
  .revisions {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
