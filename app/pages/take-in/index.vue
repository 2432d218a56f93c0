<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { Check, FileSpreadsheet } from 'lucide-vue-next'
import { computed, nextTick, onMounted, shallowRef, useTemplateRef } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { NuxtLink } from '#components'
import KCombo from '~/components/kit/KCombo.vue'
import KField from '~/components/kit/KField.vue'
import KTicket from '~/components/kit/KTicket.vue'
import PhotoField from '~/components/takeIn/PhotoField.vue'
import PlaceProposal from '~/components/takeIn/PlaceProposal.vue'
import ThemesField from '~/components/takeIn/ThemesField.vue'
import { useDescribe } from '~/composables/useDescribe'
import { useDraft } from '~/composables/useDraft'
import { commands, database } from '~/db'
import { placeWords, shellWords, takeInWords } from '~/messages'
import { useCatalogue } from '~/stores/catalogue'
import { useNotices } from '~/stores/notices'

/** Take in: one set in the hand. Ctrl Enter takes it in at the proposed place; the next one starts at once. */
const catalogue = useCatalogue()
const notices = useNotices()
const route = useRoute()
const router = useRouter()
const { code, codeOf, proposalText, sizeText } = useDescribe()
const editing = computed(() => typeof route.query.set === 'string' ? catalogue.tables?.holdings.get(route.query.set) ?? null : null)
const { texts, facts, size, proposal, isRestored, clear } = useDraft(() => editing.value)
const nameField = useTemplateRef<HTMLInputElement>('nameField')
const photo = useTemplateRef<InstanceType<typeof PhotoField>>('photo')
const isTried = shallowRef(false)
const isBusy = shallowRef(false)
onMounted(() => nameField.value?.focus())

const names = (table: 'brands' | 'categories' | 'themes'): readonly string[] => [...catalogue.tables?.[table].values() ?? []].map(record => record.name).toSorted((a, b) => a.localeCompare(b))
const kinds = computed(() => [...catalogue.tables?.kinds.values() ?? []].sort((a, b) => a.rank - b.rank))
const kind = computed(() => kinds.value.find(each => each.id === texts.kindId))
const sizeHint = computed(() => size.value.ok ? takeInWords.sizeRead(sizeText(size.value.size), size.value.unitFrom === 'assumed') : '')
const sizeProblem = computed(() => !size.value.ok && size.value.code !== 'empty' ? takeInWords.sizeProblem[size.value.code] : '')
const nameProblem = computed(() => isTried.value && texts.name.trim() === '' ? takeInWords.nameMissing : '')

async function save(withPlace: boolean): Promise<void> {
  isTried.value = true
  if (texts.name.trim() === '' || sizeProblem.value) {
    ;(texts.name.trim() === '' ? nameField.value : document.getElementById('take-size'))?.focus()
    return
  }
  if (isBusy.value) return
  isBusy.value = true
  const before = editing.value
  if (before) {
    await commands.editHolding(database(), before.id, facts.value)
    notices.tell(takeInWords.savedEdit(code(before)))
    void router.push('/')
  } else {
    const found = proposal.value
    const point = withPlace && found?.ok ? found.point : null
    const holding = await commands.takeIn(database(), facts.value, point ? { containerId: point.container.id, lane: point.lane, order: point.order, cell: point.cell } : null)
    notices.tell(takeInWords.saved(String(holding.number), holding.name, point && found ? proposalText(found) : placeWords.none))
    clear()
    isTried.value = false
    await nextTick()
    nameField.value?.focus()
  }
  isBusy.value = false
}
useEventListener('keydown', (event) => {
  if (event.key !== 'Enter' || !(event.ctrlKey || event.metaKey) || document.querySelector('[role="dialog"]')) return
  event.preventDefault()
  void save(true)
})
useEventListener('paste', (event: ClipboardEvent) => {
  const file = event.clipboardData?.files[0]
  if (file?.type.startsWith('image/')) void photo.value?.take(file)
})
</script>

<template>
  <div class="mx-auto max-w-5xl p-4 sm:p-6">
    <div class="flex flex-wrap items-end justify-between gap-4">
      <div>
        <h1 class="text-[1.6rem]">{{ editing ? takeInWords.editTitle(code(editing)) : takeInWords.title }}</h1>
        <p class="text-quiet">{{ takeInWords.lead }}</p>
      </div>
      <div class="flex items-center gap-4">
        <p v-if="!editing" class="text-right"><span class="hint block">{{ takeInWords.nextNumber }}</span><KTicket :code="{ figure: String(catalogue.nextNumber ?? ''), suffix: kind?.suffix ?? '' }" size="large" /></p>
        <KTicket v-else :code="codeOf(editing)" size="large" />
        <NuxtLink v-if="!editing" to="/take-in/list" class="button"><FileSpreadsheet :size="18" aria-hidden="true" />{{ takeInWords.list }}</NuxtLink>
      </div>
    </div>
    <p v-if="isRestored" class="mt-3 flex flex-wrap items-center gap-3 bg-wash px-3 py-1">{{ takeInWords.draftKept }}<button type="button" class="min-h-11 underline" @click="clear">{{ takeInWords.discard }}</button></p>
    <form class="mt-4 grid gap-x-6 gap-y-4 md:grid-cols-[1fr_19rem]" novalidate @submit.prevent="save(true)">
      <div class="grid content-start gap-4 sm:grid-cols-2">
        <KField class="sm:col-span-2" :label="takeInWords.name" for="take-name" :problem="nameProblem"><input id="take-name" ref="nameField" v-model="texts.name" class="field" maxlength="300" autocomplete="off" :aria-invalid="nameProblem !== ''"></KField>
        <KField :label="takeInWords.brand" for="take-brand"><KCombo id="take-brand" v-model="texts.brand" :label="takeInWords.brand" :options="names('brands')" /></KField>
        <KField :label="takeInWords.kind" for="take-kind">
          <select id="take-kind" v-model="texts.kindId" class="field"><option value="">{{ takeInWords.none }}</option><option v-for="each in kinds" :key="each.id" :value="each.id">{{ each.name }}</option></select>
        </KField>
        <KField :label="takeInWords.themes" for="take-themes" :hint="takeInWords.themesHint"><ThemesField v-model:themes="texts.themes" v-model:typed="texts.theme" :options="names('themes')" /></KField>
        <KField :label="takeInWords.category" for="take-category"><KCombo id="take-category" v-model="texts.category" :label="takeInWords.category" :options="names('categories')" /></KField>
        <KField :label="takeInWords.size" for="take-size" :hint="sizeHint" :problem="sizeProblem"><input id="take-size" v-model="texts.size" class="field figures" maxlength="80" autocomplete="off" :aria-invalid="sizeProblem !== ''"></KField>
        <KField :label="takeInWords.words" for="take-words" :hint="takeInWords.wordsHint"><input id="take-words" v-model="texts.words" class="field" maxlength="4000" autocomplete="off"></KField>
        <KField class="sm:col-span-2" :label="takeInWords.notes" for="take-notes"><textarea id="take-notes" v-model="texts.notes" class="field" rows="2" maxlength="20000" /></KField>
      </div>
      <div class="grid content-start gap-4">
        <PhotoField ref="photo" v-model="texts.pictureHash" />
        <PlaceProposal v-if="!editing" :proposal="proposal" />
      </div>
      <div class="sticky bottom-0 flex flex-wrap items-center justify-end gap-2 border-t border-line bg-sheet py-3 md:col-span-2">
        <button type="submit" class="button-main" :disabled="isBusy"><Check :size="18" aria-hidden="true" />{{ editing ? takeInWords.saveEdit : takeInWords.save }}</button><span class="hint hidden sm:inline">{{ takeInWords.saveHint }}</span>
        <NuxtLink v-if="editing" to="/" class="button">{{ shellWords.cancel }}</NuxtLink>
        <button v-else type="button" class="button" :disabled="isBusy" @click="save(false)">{{ takeInWords.saveOther }}</button>
      </div>
    </form>
  </div>
</template>
