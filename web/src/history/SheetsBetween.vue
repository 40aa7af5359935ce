<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import Select from 'primevue/select'
import { computed, ref } from 'vue'
import { call, type Schema } from '../api/client'
import ChangesTable from '../sheet/ChangesTable.vue'
import { changes } from '../sheet/changes'
import { say } from '../words'

/** Any two revisions of the sheet, place by place. */
const props = defineProps<{ tag: string }>()
const { data: all } = useQuery({
  queryKey: ['revisions', props.tag],
  queryFn: () => call<Schema['RevisionSummary'][]>('GET', `/api/units/${props.tag}/revisions`),
})
const numbers = computed(() => (all.value ?? []).map((r) => r.revision))
const from = ref<number>()
const to = ref<number>()
const first = computed(() => from.value ?? numbers.value.at(-1) ?? 0)
const second = computed(() => to.value ?? numbers.value[0] ?? 0)
const { data: pair } = useQuery({
  queryKey: computed(() => ['revisions', props.tag, first.value, second.value]),
  queryFn: async () => {
    const read = (n: number) => call<Schema['UnitDocument']>('GET', `/api/units/${props.tag}/revisions/${n}`)
    return { before: await read(first.value), after: await read(second.value) }
  },
  enabled: computed(() => numbers.value.length > 1),
})
const made = computed(() => (pair.value ? changes(pair.value.before.document, pair.value.after.document) : []))
</script>

<template>
  <p v-if="numbers.length < 2" class="quiet">{{ say('history.one-sheet') }}</p>
  <template v-else>
    <p class="choose">
      {{ say('history.from-sheet') }}
      <Select :model-value="first" :options="numbers" :aria-label="say('history.from-sheet')" @update:model-value="(n) => (from = n)" />
      {{ say('history.to-sheet') }}
      <Select :model-value="second" :options="numbers" :aria-label="say('history.to-sheet')" @update:model-value="(n) => (to = n)" />
    </p>
    <p v-if="pair && !made.length" class="quiet">{{ say('history.same-sheet') }}</p>
    <ChangesTable v-else-if="pair" :made="made" />
  </template>
</template>

<style scoped>
.choose {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  align-items: center;
}
</style>
