<script setup lang="ts">
import { computed } from 'vue'
import { OPTIONAL_STAGES } from '#core/catalog'
import KDialog from '~/kit/KDialog.vue'
import KField from '~/kit/KField.vue'
import { act } from '~/data/act'
import { pileWords } from '~/subjects/pile/words'
import { takeInWords } from '~/subjects/pile/takeInWords'
import { useCatalogue } from '~/data/useCatalogue'
import CollectionChoice from './CollectionChoice.vue'

/** The owner's way of taking in: how many sets, which stages, what becomes of photos, where things stand for now. */
const open = defineModel<boolean>('open', { required: true })
const catalogue = useCatalogue()
const settings = computed(() => catalogue.settings)
type Change = Parameters<typeof act.changeSettings>[0]
const change = (to: Change): void => void act.changeSettings(to)

function toggle(stage: (typeof OPTIONAL_STAGES)[number]): void {
  const { stages } = settings.value
  change({ stages: OPTIONAL_STAGES.filter(each => (each === stage ? !stages.includes(each) : stages.includes(each))) })
}
</script>

<template>
  <KDialog :open="open" :title="pileWords.how" @close="open = false">
    <p class="text-quiet">{{ pileWords.howLead }}</p>
    <CollectionChoice class="mt-4" />
    <fieldset class="mt-4">
      <legend class="label">{{ pileWords.stagesUsed }}</legend>
      <label v-for="stage in OPTIONAL_STAGES" :key="stage" class="flex min-h-11 items-center gap-3">
        <input type="checkbox" class="size-5" :checked="settings.stages.includes(stage)" @change="toggle(stage)" />
        {{ pileWords.stages[stage] }}
        <span class="hint">{{ pileWords.stageHint[stage] }}</span>
      </label>
    </fieldset>
    <label class="mt-4 flex min-h-11 items-center gap-3">
      <input
        type="checkbox"
        class="size-5"
        :checked="settings.keepsOriginals"
        @change="change({ keepsOriginals: !settings.keepsOriginals })"
      />
      <span>
        {{ pileWords.originals }}
        <span class="hint block">{{ pileWords.originalsHint }}</span>
      </span>
    </label>
    <KField class="mt-4" :label="pileWords.forNowPlace" for="for-now" :hint="pileWords.forNowLead">
      <select
        id="for-now"
        class="field"
        :value="settings.forNowContainerId ?? ''"
        @change="change({ forNowContainerId: ($event.target as HTMLSelectElement).value || null })"
      >
        <option value="">{{ takeInWords.none }}</option>
        <option v-for="{ container } in catalogue.containers.filter(row => !row.container.cells)" :key="container.id" :value="container.id">
          {{ container.name }}
        </option>
      </select>
    </KField>
  </KDialog>
</template>
