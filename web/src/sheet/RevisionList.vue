<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { call, type Schema } from '../api/client'
import { changes, place, shown } from './changes'

const props = defineProps<{ tag: string }>()
const { data: all } = useQuery({
  queryKey: ['revisions', props.tag],
  queryFn: () => call<Schema['RevisionSummary'][]>('GET', `/api/units/${props.tag}/revisions`),
})
const chosen = ref<number>()
const at = computed(() => chosen.value ?? all.value?.[0]?.revision ?? 0)
const { data: pair } = useQuery({
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
    <nav class="card" aria-label="Revisions">
      <button v-for="r in all" :key="r.revision" type="button" :class="{ here: r.revision === at }" @click="chosen = r.revision">
        <b>Revision {{ r.revision }}</b>
        <span>{{ new Date(r.savedAt).toLocaleString('en-GB', { dateStyle: 'medium', timeStyle: 'short' }) }}</span>
        <span v-if="r.savedBy">{{ r.savedBy }}</span><span v-if="!r.complete">▲ not complete</span>
      </button>
    </nav>
    <section class="card">
      <h2>What revision {{ at }} changed</h2>
      <p v-if="at === 1" class="quiet">The first one.</p>
      <p v-else-if="!made.length" class="quiet">Nothing.</p>
      <table v-else>
        <thead>
          <tr>
            <th>Place</th>
            <th>Before</th>
            <th>After</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="c in made" :key="place(c)">
            <td>
              <b>{{ place(c) }}</b>
            </td>
            <td>{{ shown(c.before) }}</td>
            <td>{{ shown(c.after) }}</td>
          </tr>
        </tbody>
      </table>
      <p class="quiet small">A run that is open keeps the revision it was started with.</p>
    </section>
  </div>
</template>

<style scoped>
.revisions {
  display: grid;
  grid-template-columns: 320px minmax(0, 1fr);
  gap: 14px;
}
nav {
  padding: 8px;
  display: grid;
  gap: 4px;
  align-content: start;
}
button {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 12px;
  min-height: 46px;
  align-items: center;
  font: inherit;
  color: inherit;
  background: none;
  border: 0;
  border-radius: 6px;
  text-align: left;
  padding: 6px 10px;
}
button.here {
  background: var(--gate);
  color: var(--on-gate);
}
td {
  overflow-wrap: anywhere;
}
</style>
