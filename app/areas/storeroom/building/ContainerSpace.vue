<script setup lang="ts">
import { CELL_REUSES } from '#core/catalog'
import { placeWords } from '~/data/words'
import KCheck from '~/kit/KCheck.vue'
import KChoice from '~/kit/KChoice.vue'
import KField from '~/kit/KField.vue'
import KNumber from '~/kit/KNumber.vue'
import type { ContainerForm } from './useContainerForm'
import { furnishWords } from './words'

/** The part of a container's form that says how much goes in: its length, its rows or cells, and its weight. */
const { fields } = defineProps<{ fields: ContainerForm }>()
const { countProblem, form, hasCells, lengthMm, most, sizeProblem, weight } = fields
</script>

<template>
  <KField :label="furnishWords.length" for="new-length" :problem="form.length && lengthMm === null ? furnishWords.lengthProblem : ''">
    <input id="new-length" v-model="form.length" class="field figures" maxlength="20" />
  </KField>
  <template v-if="hasCells">
    <KField :label="furnishWords.cellSize" for="new-cell" :hint="furnishWords.cellSizeHint" :problem="sizeProblem(form.cellSize)">
      <input id="new-cell" v-model="form.cellSize" class="field figures" maxlength="40" />
    </KField>
    <KChoice id="new-reuse" v-model="form.reuse" :label="furnishWords.reuse" :choices="CELL_REUSES" :words="furnishWords.reuses" />
    <KNumber
      v-for="field in ['rows', 'columns', 'pages'] as const"
      :id="`new-${field}`"
      :key="field"
      v-model="form[field]"
      :label="furnishWords[field]"
      :min="1"
      :max="most[field]"
      :problem="countProblem(field)"
    />
    <KCheck v-model="form.isTwoSided" class="self-end" :label="furnishWords.bothSides" />
  </template>
  <template v-else>
    <KField :label="furnishWords.inner" for="new-inner" :hint="furnishWords.innerHint" :problem="sizeProblem(form.inner)">
      <input id="new-inner" v-model="form.inner" class="field figures" maxlength="40" />
    </KField>
    <KNumber id="new-lanes" v-model="form.lanes" :label="furnishWords.lanes" :min="1" :max="most.lanes" :problem="countProblem('lanes')" />
  </template>
  <KField
    :label="furnishWords.emptyWeight"
    for="new-weight"
    :hint="furnishWords.emptyWeightHint"
    :problem="weight === 'unread' ? placeWords.weightProblem : ''"
  >
    <input id="new-weight" v-model="form.emptyWeight" class="field figures" maxlength="8" inputmode="decimal" autocomplete="off" />
  </KField>
</template>
