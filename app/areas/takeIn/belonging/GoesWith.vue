<script setup lang="ts">
import KIcon from '~/kit/KIcon.vue'
import KChoice from '~/kit/KChoice.vue'
import { Link2, X } from 'lucide-vue-next'
import { computed, shallowRef } from 'vue'
import { type Holding, type Relation, type Way, WAYS } from '#core/catalog'
import { doubtAbout, type RelationDoubt } from '#core/classing'
import { isSameName } from '#core/grammar'
import KCombo from '~/kit/KCombo.vue'
import KField from '~/kit/KField.vue'
import { useDescribe } from '~/data/useDescribe'
import { act } from '~/data/act'
import { belongingWords } from './words'
import { slipWords } from '~/subjects/set/words'
import { useCatalogue } from '~/data/useCatalogue'

/** What goes with a set, and how. A mark on the wrong kind of thing is asked about first. */
const { holding } = defineProps<{ holding: Holding }>()
const catalogue = useCatalogue()
const { lookUp, code } = useDescribe()
const way = shallowRef<Way>('dieForStamp')
const which = shallowRef('')
const problem = shallowRef('')
const doubt = shallowRef<RelationDoubt | null>(null)

const label = (each: Holding): string => `${code(each)} ${each.name}`
const options = computed(() => [...(catalogue.tables?.holdings.values() ?? [])].filter(each => each.id !== holding.id).map(label))
const existing = computed(() =>
  [...(catalogue.tables?.relations.values() ?? [])].flatMap(relation => {
    const isFrom = relation.fromId === holding.id
    const other =
      isFrom || relation.toId === holding.id ? catalogue.tables?.holdings.get(isFrom ? relation.toId : relation.fromId) : undefined
    return other
      ? [{ relation, other, text: slipWords.relation[relation.kind === 'dieForStamp' && isFrom ? 'stampForDie' : relation.kind] }]
      : []
  }),
)
const related = (each: Holding) => ({
  id: each.id,
  family: lookUp('kinds', each.kindId)?.family ?? null,
  categoryName: lookUp('categories', each.categoryId)?.name ?? '',
})

async function add(isSure: boolean): Promise<void> {
  const other = [...(catalogue.tables?.holdings.values() ?? [])].find(each => isSameName(label(each), which.value))
  problem.value = other ? '' : belongingWords.notFound
  if (!other) return
  // "Die for this stamp" names the die: the relation runs from the die to the stamp.
  const isFrom = way.value !== 'dieForStamp'
  const kind: Relation['kind'] = way.value === 'stampForDie' ? 'dieForStamp' : way.value
  const [from, to] = isFrom ? [holding, other] : [other, holding]
  doubt.value = isSure ? null : doubtAbout(kind, related(from), related(to))
  if (doubt.value) return
  const fault = await act.addRelation({ fromId: from.id, toId: to.id, kind })
  problem.value = fault ? belongingWords.faults[fault] : ''
  if (!fault) which.value = ''
}
</script>

<template>
  <section class="border-t border-line pt-4" :aria-label="belongingWords.goesWith">
    <h2 class="text-[1.15rem]">{{ belongingWords.goesWith }}</h2>
    <p class="hint">{{ belongingWords.goesWithHint }}</p>
    <ul class="mt-1">
      <li v-for="{ relation, other, text } in existing" :key="relation.id" class="flex items-center gap-3">
        <span class="min-w-0 flex-1">
          <span class="hint">{{ text }}</span>
          {{ label(other) }}
        </span>
        <KIcon class="text-quiet" :icon="X" :label="belongingWords.remove(other.name)" @click="act.removeRelation(relation.id)" />
      </li>
    </ul>
    <div class="mt-2 grid items-end gap-3 sm:grid-cols-[1fr_1fr_auto]">
      <KChoice
        id="goes-how"
        v-model="way"
        :label="belongingWords.how"
        :choices="WAYS"
        :words="slipWords.relation"
        :hint="belongingWords.markHint(catalogue.settings.marks[way], belongingWords.legend[way === 'stampForDie' ? 'dieForStamp' : way])"
      />
      <KField :label="belongingWords.which" for="goes-which" :hint="belongingWords.whichHint">
        <KCombo id="goes-which" v-model="which" :label="belongingWords.which" :options="options" only-known />
      </KField>
      <button type="button" class="button sm:mb-7" :disabled="which.trim() === ''" @click="add(false)">
        <Link2 :size="18" aria-hidden="true" />
        {{ belongingWords.add }}
      </button>
    </div>
    <p v-if="doubt" class="mt-1 flex flex-wrap items-center gap-3 font-semibold text-ochre" role="alert">
      {{ belongingWords.doubts[doubt] }}
      <button type="button" class="button" @click="add(true)">{{ belongingWords.keepAnyway }}</button>
    </p>
    <p v-else-if="problem" class="mt-1 font-semibold text-berry" role="alert">{{ problem }}</p>
  </section>
</template>
