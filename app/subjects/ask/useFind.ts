import { useDebounceFn } from '@vueuse/core'
import { defineStore } from 'pinia'
import { computed, shallowRef, watch } from 'vue'
import {
  type Absence,
  absenceOf,
  answersTo,
  type Atom,
  type LinkedHit,
  phraseOf,
  phraseReader,
  readAsk,
  readShelf,
  type ReadAsk,
} from '#core/finding'
import { workerHandle } from '~/data/worker'
import { useCatalogue } from '~/data/useCatalogue'
import { wasCleared } from '~/data/storageTrouble'
import { useDescribe } from '~/data/useDescribe'
import { useUses } from '~/data/useUses'
import type { AskResult, FindApi } from './find.worker'
import { useCollection } from './useCollection'

/** What the words of the ask brought, before its other parts and the narrowing. */
export type WordAnswer = Omit<AskResult, 'ids'> & { readonly ids: readonly string[] }
/** The answer that is shown: the sets that have the words and answer to every part. */
export interface ShownAnswer {
  readonly reading: ReadAsk
  /** null: no words were asked, but other parts. */
  readonly words: WordAnswer | null
  readonly ids: readonly string[]
  /** Sets of which the record does not say what a part asks for: neither in the answer nor denied. */
  readonly unsaid: number
}

/** Typing rests when nothing was typed for so long. */
const RESTS_MS = 160

/** A worker reads the room before it is asked anything. */
const worker = workerHandle<FindApi>(
  () => new Worker(new URL('./find.worker.ts', import.meta.url), { type: 'module' }),
  api => api.catchUp(),
)
/** Starts the worker. Called as the first code runs: the index is read while the screen is still being put up. */
export const readIndex = (): Promise<number> => worker.run(api => api.catchUp())

const unwanted = ({ without }: ReadAsk): readonly string[] => without.map(({ word }) => word)

/** The ask and its answer. The index lives in a worker and follows the catalogue. */
export const useFind = defineStore('find', () => {
  const catalogue = useCatalogue()
  const { codeOf } = useDescribe()
  const uses = useUses()
  const collection = useCollection()
  const ask = shallowRef('')
  /** Parts of the ask that are words after all. */
  const takenBack = shallowRef<ReadonlySet<string>>(new Set())
  const answer = shallowRef<ShownAnswer | null>(null)
  const linked = shallowRef<readonly LinkedHit[]>([])
  const absence = shallowRef<(Absence & { readonly atoms: readonly Atom[] }) | null>(null)
  /** The ask that the screen shows the answer to. */
  const answered = shallowRef('')
  /** The index has read the room, and what was asked meanwhile is answered. */
  const isReady = shallowRef(false)
  let asked = 0
  let isOpen = false
  let hasLexicon = false

  catalogue.onChange(() => void catchUp())

  /** What is asked is answered anew, once the index has all that was done. */
  async function catchUp(): Promise<void> {
    try {
      await readIndex()
    } catch (reason) {
      // The storage was cleared while it was read: that is told, and there is nothing to find.
      if (!wasCleared(reason)) throw reason
      return
    }
    isOpen = true
    await askAgain()
    isReady.value = true
  }

  async function setAsk(text: string): Promise<void> {
    ask.value = text
    if (text.trim() === '') takenBack.value = new Set()
    await askAgain()
  }
  /** A part is words after all, or a part again. */
  async function takeBack(text: string): Promise<void> {
    takenBack.value = new Set([...takenBack.value, text])
    await askAgain()
  }

  const shelf = computed(() =>
    readShelf(ask.value, {
      rows: catalogue.room.rows,
      patterns: catalogue.settings.addressPatterns,
      holdings: catalogue.tables?.holdings ?? new Map(),
      codeOf,
    }),
  )
  /**
   * What is asked before the index has read the room waits for it. Answers may overtake each other; only the one to the
   * latest ask is shown.
   */
  async function askAgain(): Promise<void> {
    asked += 1
    const mine = asked
    if (!isOpen) return
    const text = ask.value
    const found = await answerTo(text, takenBack.value)
    if (mine !== asked) return
    const isAsked = found !== null
    answer.value = found
    // The same ask, answered anew after something was done: what was found beside it stays until it is found again.
    if (answered.value !== text || !isAsked) {
      linked.value = []
      absence.value = null
    }
    answered.value = text.trim() === '' ? '' : text
    if (isAsked) void whenResting(mine)
  }

  /** What answers to an ask, this one or any other; null where it is no ask yet. */
  async function answerTo(text: string, asWords: ReadonlySet<string> = new Set()): Promise<ShownAnswer | null> {
    const reading = readAsk(text, {
      kinds: catalogue.tables?.kinds.values() ?? [],
      unit: catalogue.settings.unit,
      takenBack: asWords,
    })
    if (reading.parts.some(({ as }) => as === 'used')) await uses.ready()
    const hasWords = reading.words !== '' || reading.without.length > 0
    const result = hasWords ? await worker.run(api => api.ask(reading.words, unwanted(reading))) : null
    const words = result && { ...result, ids: result.ids === '' ? [] : result.ids.split('\n') }
    // One letter is no ask yet: everything stays on the mat.
    const isAsked = words ? words.mode !== 'tooShort' || reading.parts.length > 0 : reading.parts.length > 0
    return isAsked ? answerOf(reading, words?.mode === 'tooShort' ? null : words) : null
  }
  function answerOf(reading: ReadAsk, words: WordAnswer | null): ShownAnswer {
    const { parts } = reading
    if (parts.length === 0) return { reading, words, ids: words?.ids ?? [], unsaid: 0 }
    const facts = partFacts.value
    let unsaid = 0
    const ids = (words ? collection.setsOf(words.ids) : collection.everything).flatMap(set => {
      const says = parts.map(part => answersTo(part, set, facts))
      if (says.includes(null) && !says.includes(false)) unsaid += 1
      return says.every(Boolean) ? [set.id] : []
    })
    return { reading, words, ids, unsaid }
  }
  const partFacts = computed(() => ({
    kinds: catalogue.authority.kinds,
    hasDie: collection.facts.hasDie,
    wasUsed: collection.facts.wasUsed,
  }))

  /** What is looked for once typing rests: what says the same otherwise, and what is nearest where nothing has all of it. */
  const whenResting = useDebounceFn(async (mine: number): Promise<void> => {
    const now = answer.value
    if (mine !== asked || !now) return
    const { words } = now.reading
    if (words !== '') {
      const found = await worker.run(api => api.linked(words, unwanted(now.reading)))
      if (mine !== asked) return
      const answers = (id: string): boolean => {
        const set = catalogue.tables?.holdings.get(id)
        return set !== undefined && now.reading.parts.every(part => answersTo(part, set, partFacts.value))
      }
      linked.value = now.reading.parts.length > 0 ? found.filter(({ id }) => answers(id)) : found
      // The ends of German compounds are found from now on.
      if (!hasLexicon) {
        hasLexicon = true
        return askAgain()
      }
    }
    if (now.ids.length === 0 || now.words?.mode === 'some') await lookNearby(mine, now)
    else absence.value = null
  }, RESTS_MS)

  /** Of an ask of several parts that no set has all of: which none has, and what there is without one of them. */
  async function lookNearby(mine: number, { reading }: ShownAnswer): Promise<void> {
    const texts = phrasesIn.value(reading.words)
    if (texts.length + reading.parts.length < 2) return void (absence.value = null)
    const lists = await worker.run(api => api.apart(texts))
    if (mine !== asked) return
    const atoms: Atom[] = [
      ...texts.map((text, at) => ({ text, ids: new Set((lists[at] ?? '').split('\n').filter(Boolean)) })),
      ...reading.parts.map(part => ({
        text: part.text,
        ids: new Set(collection.everything.filter(set => answersTo(part, set, partFacts.value)).map(({ id }) => id)),
      })),
    ]
    absence.value = { ...absenceOf(atoms), atoms }
  }
  /** Names of makers, categories and themes are one part each, of however many words. */
  const makers = computed(() => [...catalogue.authority.brands.values()].flatMap(({ name, variants }) => [name, ...variants]))
  const makerPhrases = computed((): ReadonlySet<string> => new Set(makers.value.map(phraseOf)))
  const isMaker = (text: string): boolean => makerPhrases.value.has(phraseOf(text))
  const phrasesIn = computed(() => {
    const { categories, themes } = catalogue.authority
    return phraseReader([...makers.value, ...[...categories.values(), ...themes.values()].map(({ name }) => name)])
  })

  /** The same ask without one of its parts. */
  function giveUp(text: string): Promise<void> {
    const { atoms = [] } = absence.value ?? {}
    const without = answer.value?.reading.without.map(each => each.text) ?? []
    return setAsk([...atoms.filter(atom => atom.text !== text).map(atom => atom.text), ...without].join(' '))
  }

  watch(
    () => uses.tallies,
    () => void (answer.value?.reading.parts.some(({ as }) => as === 'used') && askAgain()),
  )

  return {
    absence,
    answer,
    answered,
    answerTo,
    ask,
    catchUp,
    giveUp,
    isMaker,
    isReady,
    linked,
    setAsk,
    shelf,
    takeBack,
    takenBack,
  }
})
