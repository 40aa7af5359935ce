<script setup lang="ts">
import Button from 'primevue/button'
import Column from 'primevue/column'
import DataTable from 'primevue/datatable'
import InputText from 'primevue/inputtext'
import { computed, ref } from 'vue'
import { useDisplay } from '../display/display'
import { say } from '../words'
import { partOf, type Curve } from './curves'

/** The points of a curve in figures; one that misleads is left out with a reason, and stays. */
const props = defineProps<{ curve: Curve; open?: boolean }>()
const emit = defineEmits<{ leaveOut: [seq: number, reason: string] }>()
const display = useDisplay()
const leaving = ref<number>()
const reason = ref('')

const rows = computed(() => props.curve.points.map((p, i) => ({ ...p, number: i + 1, fit: props.curve.fit?.points[i] })))
const amount = (value: number, unit: string) => (unit === 'bar' ? display.show(value) : display.flow(value, 1))

function leave() {
  if (leaving.value !== undefined) emit('leaveOut', leaving.value, reason.value)
  leaving.value = undefined
  reason.value = ''
}
</script>

<template>
  <p v-if="!rows.length" class="quiet small">{{ say('verify.no-points') }}</p>
  <DataTable v-else size="small" :value="rows" data-key="seq" :row-class="(r: { leftOut?: string | null }) => ({ void: !!r.leftOut })">
    <Column field="number" :header="say('verify.column.no')" />
    <Column :header="say('verify.column.at', curve.gauge)">
      <template #body="{ data: p }"
        ><b>{{ display.show(p.bar) }}</b></template
      >
    </Column>
    <Column v-if="curve.signal" :header="say('verify.column.signal', curve.signal)">
      <template #body="{ data: p }">{{ display.show(p.bar - (p.signalBar ?? 0)) }}</template>
    </Column>
    <Column :header="say('verify.column.flow')">
      <template #body="{ data: p }"
        ><b>{{ display.flow(p.lpm, 1) }}</b></template
      >
    </Column>
    <Column v-if="curve.fit" :header="say('verify.column.expected')">
      <template #body="{ data: p }">{{ p.fit ? amount(p.fit.expected, p.fit.unit) : '' }}</template>
    </Column>
    <Column v-if="curve.fit" :header="say('verify.column.off')">
      <template #body="{ data: p }">{{ p.fit ? amount(p.fit.residual, p.fit.unit) : '' }}</template>
    </Column>
    <Column v-if="curve.fit && curve.kind === 'pump'" :header="say('verify.column.efficiency')">
      <template #body="{ data: p }">{{ p.fit?.efficiency?.toFixed(3) ?? '' }}</template>
    </Column>
    <Column v-if="curve.fit" :header="say('verify.column.part')">
      <template #body="{ data: p }">{{ p.leftOut ? say('verify.out-because', p.leftOut) : p.fit ? partOf(p.fit.region) : '' }}</template>
    </Column>
    <Column v-if="open">
      <template #body="{ data: p }">
        <Button
          v-if="!p.leftOut"
          :label="say('verify.leave-out')"
          severity="secondary"
          text
          :aria-label="`${say('verify.leave-out')} ${p.number}`"
          @click="leaving = p.seq"
        />
      </template>
    </Column>
  </DataTable>
  <form v-if="leaving !== undefined" class="why" @submit.prevent="leave">
    <label>
      {{ say('verify.why-out', rows.find((r) => r.seq === leaving)?.number) }}
      <InputText v-model="reason" autofocus fluid />
    </label>
    <Button type="submit" :label="say('verify.leave-out')" />
  </form>
</template>

<style scoped>
.why {
  display: flex;
  gap: 10px;
  align-items: end;
}
.why label {
  flex: 1;
}
:deep(.void) {
  color: var(--quiet);
  text-decoration: line-through;
}
:deep(td),
:deep(th) {
  font-size: 15px;
  white-space: nowrap;
}
</style>
