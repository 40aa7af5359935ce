<script setup lang="ts">
import RadioButton from 'primevue/radiobutton'
import { say } from '../words'
import Button from 'primevue/button'
import { ref } from 'vue'
import { place, shown, type Change } from './changes'
import type { Clash } from './useSheet'

const props = defineProps<{ clash: Clash }>()
const emit = defineEmits<{ merge: [leave: Change[]] }>()
const leave = ref<Change[]>([])

function choose(mine: Change, theirs: boolean) {
  const others = leave.value.filter((c) => c !== mine)
  leave.value = theirs ? [...others, mine] : others
}
</script>

<template>
  <section class="card clash" :aria-label="say('sheet.clashPanel.somebody-else-saved')">
    <h2>
      {{
        say(
          'sheet.clashPanel.two-people-at-one',
          props.clash.theirs.savedBy || say('sheet.clashPanel.somebody-else'),
          props.clash.theirs.revision,
        )
      }}
    </h2>
    <div class="two">
      <div>
        <h3>{{ say('sheet.clashPanel.theirs') }}</h3>
        <p v-for="c in clash.others" :key="place(c)">
          <b>{{ place(c) }}</b> {{ shown(c.before) }} → {{ shown(c.after) }}
        </p>
      </div>
      <div>
        <h3>{{ say('sheet.clashPanel.mine') }}</h3>
        <p v-for="c in clash.mine" :key="place(c)">
          <b>{{ place(c) }}</b> {{ shown(c.before) }} → {{ shown(c.after) }}
        </p>
      </div>
    </div>
    <template v-if="clash.both.length">
      <h3>{{ say('sheet.clashPanel.both-changed-the-same') }}</h3>
      <fieldset v-for="b in clash.both" :key="place(b.mine)">
        <legend>{{ place(b.mine) }}</legend>
        <label
          ><RadioButton
            :model-value="leave.includes(b.mine)"
            :value="false"
            :name="place(b.mine)"
            @update:model-value="choose(b.mine, false)"
          />
          {{ say('sheet.clashPanel.mine-2', shown(b.mine.after)) }}</label
        >
        <label
          ><RadioButton
            :model-value="leave.includes(b.mine)"
            :value="true"
            :name="place(b.mine)"
            @update:model-value="choose(b.mine, true)"
          />
          {{ say('sheet.clashPanel.theirs-2', shown(b.theirs.after)) }}</label
        >
      </fieldset>
    </template>
    <Button :label="say('sheet.clashPanel.put-mine-on-top')" @click="emit('merge', leave)" />
    <p class="quiet small">{{ say('sheet.clashPanel.nothing-is-saved-yet') }}</p>
  </section>
</template>

<style scoped>
.clash {
  border-left: 7px solid var(--gold);
  display: grid;
  gap: 8px;
  justify-items: start;
  margin: 10px 0;
}
.two {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 20px;
}
h3 {
  font-size: 16px;
}
label {
  display: inline-flex;
  gap: 8px;
  align-items: center;
  min-height: 44px;
  margin-right: 20px;
}
</style>
