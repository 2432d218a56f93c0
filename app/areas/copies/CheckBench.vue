<script setup lang="ts">
import { group } from 'd3-array'
import { computed, onMounted, shallowRef, useTemplateRef } from 'vue'
import type { Finding } from '#core/soundness'
import { useCatalogue } from '~/data/useCatalogue'
import { WorkStopped } from '~/data/worker'
import KPageHead from '~/kit/KPageHead.vue'
import KProgress from '~/kit/KProgress.vue'
import { useNotices } from '~/kit/useNotices'
import type { Checked } from '~/subjects/copies/copies.worker'
import { soundnessWords } from '~/subjects/copies/soundnessWords'
import { useCopies } from '~/subjects/copies/useCopies'
import { copyWords } from '~/subjects/copies/words'
import AsideRecord from './AsideRecord.vue'

/** Looks through the whole room: what does not hold together is said and mended, and what was set aside is put back or let go. */
const SHOWN = 200
const catalogue = useCatalogue()
const copies = useCopies()
const notices = useNotices()
const checked = shallowRef<Checked | null>(null)
/** The step after which the room was looked at. */
const lookedAfter = shallowRef('')
const isStopped = shallowRef(false)
const isMending = shallowRef(false)
const result = useTemplateRef<HTMLElement>('result')
const stepNow = computed(() => catalogue.steps.map(({ seq, swings }) => `${seq} ${swings}`).join())
const isOld = computed(() => checked.value !== null && lookedAfter.value !== stepNow.value)
const findings = computed(() => checked.value?.findings ?? [])
const mendable = computed(() => findings.value.filter(({ mend }) => mend !== null))
const aside = computed(() => [...(catalogue.tables?.setAside.values() ?? [])].sort((a, b) => (a.id < b.id ? -1 : 1)))
/** What is said of many is said once, with the others behind it. */
const keyOf = ({ code, table, about, mend }: Finding): string => [code, table, about, mend?.some(edit => 'remove' in edit)].join()
const groups = computed(() =>
  [...group(findings.value, keyOf)].flatMap(([key, [first, ...others]]) => (first ? [{ key, first, others }] : [])),
)

const says = computed(() => {
  const { records = 0 } = checked.value ?? {}
  if (findings.value.length > 0) return soundnessWords.found(records, findings.value.length)
  return soundnessWords.allRight(records, aside.value.length > 0)
})

/** Long work that may be stopped; true: it came to its end. */
async function toTheEnd(work: () => Promise<void>): Promise<boolean> {
  isStopped.value = false
  try {
    await work()
  } catch (reason) {
    if (!(reason instanceof WorkStopped) || reason.code !== 'cancelled') throw reason
    isStopped.value = true
  }
  return !isStopped.value
}
async function look(): Promise<void> {
  const step = stepNow.value
  isMending.value = false
  await toTheEnd(async () => {
    checked.value = await copies.check()
    lookedAfter.value = step
  })
}
onMounted(() => void look())

async function mendAll(): Promise<void> {
  isMending.value = true
  const isDone = await toTheEnd(async () => notices.tell(soundnessWords.mended(await copies.mend())))
  if (!isDone) return
  await look()
  result.value?.focus()
}
</script>

<template>
  <div class="mx-auto max-w-5xl px-4 pt-2 pb-6 sm:px-6">
    <KPageHead :title="soundnessWords.title" :lead="soundnessWords.lead">
      <button type="button" class="button" :disabled="copies.progress !== null" @click="look">{{ soundnessWords.again }}</button>
    </KPageHead>
    <KProgress
      v-if="copies.progress"
      class="mt-4"
      :text="copyWords.howFar(copies.progress)"
      :done="copies.progress.done"
      :total="copies.progress.total"
      @cancel="copies.cancel"
    />
    <section class="mt-3" :aria-busy="copies.progress !== null">
      <p v-if="checked" ref="result" tabindex="-1" class="text-[1.05rem]" role="status" data-checked>
        {{ says }}
        <span v-if="isOld" class="text-ochre">{{ soundnessWords.since }}</span>
      </p>
      <p v-if="isStopped" class="text-ochre" role="status">{{ isMending ? soundnessWords.notMended : soundnessWords.stopped }}</p>
      <button v-if="mendable.length" type="button" class="button-main mt-3" :disabled="copies.progress !== null || isOld" @click="mendAll">
        {{ soundnessWords.mend(mendable.length) }}
      </button>
      <p v-if="mendable.length && aside.length" class="hint mt-2">{{ soundnessWords.putBackFirst }}</p>
      <ul v-if="groups.length" class="mt-3">
        <li v-for="each in groups" :key="each.key" class="border-t border-line py-2" data-finding>
          <p>{{ soundnessWords.says(each.first) }}</p>
          <p class="hint">{{ each.first.mend ? soundnessWords.mending(each.first) : soundnessWords.byHand }}</p>
          <details v-if="each.others.length">
            <summary class="min-h-11 cursor-pointer py-2 underline">{{ soundnessWords.alike(each.others.length) }}</summary>
            <ul class="columns-2 gap-6 pb-2 max-sm:columns-1">
              <li v-for="(finding, at) in each.others.slice(0, SHOWN)" :key="at">{{ finding.name || soundnessWords.says(finding) }}</li>
              <li v-if="each.others.length > SHOWN" class="text-quiet">{{ soundnessWords.more(each.others.length - SHOWN) }}</li>
            </ul>
          </details>
        </li>
      </ul>
    </section>
    <section v-if="aside.length" class="mt-6">
      <h2 class="text-[1.15rem]">{{ soundnessWords.asideTitle }}</h2>
      <p class="hint mb-2">{{ soundnessWords.asideHint }}</p>
      <ul>
        <AsideRecord v-for="record in aside" :key="record.id" :record="record" />
      </ul>
    </section>
  </div>
</template>
