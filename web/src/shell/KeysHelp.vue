<script setup lang="ts">
import Button from 'primevue/button'
import Dialog from 'primevue/dialog'
import Problems from '../display/Problems.vue'
import { useBeginTour } from '../tour/useBeginTour'
import { say } from '../words'

/** Every key that does something, and where. */
const shown = defineModel<boolean>({ required: true })
const { tour, begin } = useBeginTour()

async function walk() {
  if (await begin()) shown.value = false
}

const KEYS = [
  {
    place: say('shell.keysHelp.everywhere'),
    keys: [
      ['?', say('shell.keysHelp.this-sheet')],
      ['Tab', say('shell.keysHelp.next-control')],
      ['Esc', say('shell.keysHelp.close')],
      ['/', say('shell.keysHelp.find-a-unit')],
    ],
  },
  {
    place: say('shell.topBar.run'),
    keys: [
      ['0 … 9', say('shell.keysHelp.digits')],
      ['Enter', say('shell.keysHelp.likely')],
    ],
  },
  {
    place: say('shell.topBar.sheet'),
    keys: [
      ['Ctrl Z', say('shell.keysHelp.undo')],
      ['Ctrl Y', say('shell.keysHelp.redo')],
      ['Enter', say('shell.keysHelp.open-part')],
      ['+  −  0', say('shell.keysHelp.zoom')],
    ],
  },
]
</script>

<template>
  <Dialog v-model:visible="shown" modal dismissable-mask :header="say('shell.keysHelp.keys')" class="keys">
    <section v-for="p in KEYS" :key="p.place">
      <h2>{{ p.place }}</h2>
      <dl>
        <template v-for="[key, what] in p.keys" :key="key">
          <dt>
            <kbd>{{ key }}</kbd>
          </dt>
          <dd>{{ what }}</dd>
        </template>
      </dl>
    </section>
    <p class="small quiet">{{ say('shell.keysHelp.units-typed') }}</p>
    <Button :label="say('tour.offer.again')" severity="secondary" outlined :loading="tour.busy" @click="walk" />
    <Problems :refused="tour.refused" />
  </Dialog>
</template>

<style>
.keys {
  width: min(560px, 94vw);
}
.keys dl {
  display: grid;
  grid-template-columns: 110px 1fr;
  gap: 6px 14px;
  margin: 6px 0 16px;
  align-items: center;
}
.keys dd {
  margin: 0;
}
.keys dt {
  padding: 3px 0;
}
.keys kbd {
  display: inline-block;
  font: inherit;
  font-weight: 600;
  border: 1.5px solid var(--quiet);
  border-radius: 6px;
  padding: 3px 10px;
  background: var(--board);
  white-space: nowrap;
}
</style>
