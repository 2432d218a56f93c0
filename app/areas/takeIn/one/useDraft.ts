import { useDebounceFn } from '@vueuse/core'
import { newId } from '~/db/newId'
import { computed, reactive, shallowRef, watch } from 'vue'
import {
  blankDraft,
  blankHolding,
  changedFields,
  type Detail,
  DETAIL_NAMES,
  type Draft,
  type DraftTexts,
  type Holding,
  type OpenQuestion,
  nextRank,
} from '#core/catalog'
import { readDetails, readWords, writeDetails } from '#core/exchange'
import { proposeIn, proposePlace } from '#core/filing'
import { isFarBeyond, readBareNumber } from '#core/numbering'
import { dayOf, isLater, readSize } from '#core/units'
import { isSameName } from '#core/grammar'
import { act } from '~/data/act'
import type { HoldingFacts } from '~/db/commands'
import { useCatalogue } from '~/data/useCatalogue'
import { plainly } from '~/kit/plainly'
import { usePile } from '~/subjects/pile/usePile'
import { useDescribe } from '~/data/useDescribe'
import { useKept } from '~/kit/useKept'
import { useTyped } from '~/kit/useTyped'
import { type StorageTrouble, troubleOf } from '~/data/storageTrouble'
import { useNotices } from '~/kit/useNotices'
import { pileWords } from '~/subjects/pile/words'
import { unkeptStrip } from './unkeptStrip'
import { useStripLock } from './useStripLock'

type Texts = DraftTexts & Pick<Draft, 'pictureHash' | 'packagingPictureHash'>
const emptyTexts = (): Texts => ({
  ...blankDraft({ id: '', rank: 0, createdAt: '' }).texts,
  pictureHash: null,
  packagingPictureHash: null,
})
/** What the next strip takes over from the one before, until it is changed. */
const CARRIED = ['brand', 'kindId', 'size', 'acquiredOn', 'price'] as const
const KEEP_AFTER_MS = 150
/** The fact of a set that each text tells; a written number tells none. */
const FACT_OF: Readonly<Record<keyof Texts, keyof HoldingFacts | null>> = {
  name: 'name',
  brand: 'brandName',
  kindId: 'kindId',
  category: 'categoryName',
  themes: 'themeNames',
  theme: 'themeNames',
  size: 'size',
  words: 'words',
  searchWords: 'searchWords',
  written: null,
  ...(Object.fromEntries(DETAIL_NAMES.map(name => [name, name])) as { [D in Detail]: D }),
  pictureHash: 'pictureHash',
  packagingPictureHash: 'packagingPictureHash',
}

/** A strip on its way to become a set. */
interface HandedOver {
  /** The strip in the pile; null where it could not be kept there. */
  readonly draftId: Promise<string | null>
  readonly facts: HoldingFacts
  readonly written: string
  readonly isFarMeant: boolean
  /** Whether it is shown again; if not, it waits on the pile. */
  giveBack(trouble: StorageTrouble): Promise<boolean>
}

/**
 * A strip of the pile: every keystroke is kept in the database, so that closing the tab loses nothing. For a set that
 * is in the catalogue already (`editing`), the texts start from it and are kept in this tab.
 */
export function useDraft(editing: () => Holding | null) {
  const catalogue = useCatalogue()
  const pile = usePile()
  const notices = useNotices()
  const { lookUp, sizeText } = useDescribe()
  const texts = reactive<Texts>(emptyTexts())
  /** What is typed in the form of a set that is in the catalogue. */
  const typed = useTyped(texts)
  const openId = shallowRef<string | null>(null)
  const lock = useStripLock()
  const unkept = unkeptStrip<Texts>()
  /** The strip that was open last in this browser: it is the one that is opened again. */
  const lastOpen = useKept<string>('open-strip', '')
  /** Whether the open strip is this tab's own: another tab may have taken the same one at the same moment. */
  let isOurs: Promise<boolean> = Promise.resolve(true)
  watch(
    openId,
    id => {
      lastOpen.value = id ?? ''
      const claim = lock.hold(id)
      isOurs = claim
      void claim.then(isGranted => {
        if (!isGranted && openId.value === id) makeWay()
      })
    },
    { flush: 'sync' },
  )
  /** Another tab has the strip: what was typed here since is a strip of its own. */
  function makeWay(): void {
    const typedHere = changedFields(JSON.parse(begunWith) as Texts, plainly({ ...texts }))
    show(null, { ...emptyTexts(), ...typedHere })
    begunWith = JSON.stringify(emptyTexts())
    notices.tell(pileWords.takenElsewhere, 'care')
    void keep()
  }
  /** What the strip began with: a strip that only carries something over is not worth keeping yet. */
  let begunWith = JSON.stringify(texts)
  /** Why what is typed could not be kept; null: it is. */
  const notKept = shallowRef<StorageTrouble | null>(null)
  /** A number far above the run, of which somebody has said that it is meant. */
  const isFarMeant = shallowRef(false)
  watch(
    () => texts.written,
    () => (isFarMeant.value = false),
  )

  function textsOf(holding: Holding): Texts {
    return {
      ...emptyTexts(),
      name: holding.name,
      brand: lookUp('brands', holding.brandId)?.name ?? '',
      kindId: holding.kindId ?? '',
      category: lookUp('categories', holding.categoryId)?.name ?? '',
      themes: holding.themeIds.flatMap(id => lookUp('themes', id)?.name ?? []),
      size: holding.size ? sizeText(holding.size) : '',
      words: holding.words.map(word => (/[,;|]/.test(word) ? `"${word}"` : word)).join(', '),
      searchWords: [...holding.searchWords],
      ...writeDetails(holding),
      packagingPictureHash: holding.packagingPictureHash,
      pictureHash: holding.pictureHash,
    }
  }
  /** Counts what the form has shown: what began with one strip or set is not for the next. */
  const shown = shallowRef(0)
  function show(id: string | null, fresh: Texts): void {
    shown.value += 1
    openId.value = id
    begunWith = JSON.stringify(fresh)
    Object.assign(texts, fresh)
  }
  watch(
    editing,
    (holding, before) => {
      if (!holding) return typed.leave()
      const fresh = textsOf(holding)
      // It changed meanwhile, by its pieces, a join or another tab: what was typed stays.
      if (holding.id === before?.id) typed.follow(fresh)
      else {
        show(null, fresh)
        typed.begin(`set ${holding.id}`, fresh)
      }
      begunWith = JSON.stringify(fresh)
    },
    { immediate: true },
  )

  const textsOfStrip = ({ texts: written, pictureHash, packagingPictureHash }: Draft): Texts => ({
    ...emptyTexts(),
    ...written,
    pictureHash,
    packagingPictureHash,
  })
  /** Opens a strip, unless another tab has it open: then two sets could come of one. */
  async function openStrip(draft: Draft, isWanted = (): boolean => true): Promise<boolean> {
    await keepNow()
    if (draft.id !== openId.value && !(await lock.isFree(draft.id))) return false
    if (!isWanted()) return false
    show(draft.id, textsOfStrip(draft))
    return true
  }
  /** What was left open the last time, unless another tab has it open, or something is being typed already. */
  async function restore(): Promise<boolean> {
    const isUntouched = (): boolean => openId.value === null && JSON.stringify(texts) === begunWith
    const left = unkept.read(emptyTexts())
    if (left && isUntouched()) {
      show(left.id, left.texts)
      // It is not kept yet: that is tried at once.
      begunWith = ''
      await keepNow()
      return true
    }
    const first = await lock.firstFree(pile.drafts.toSorted((a, b) => Number(b.id === lastOpen.value) - Number(a.id === lastOpen.value)))
    return first && isUntouched() ? openStrip(first, isUntouched) : false
  }
  /** What is open goes to the pile, and a strip with nothing on it is there. */
  async function beginNew(): Promise<void> {
    await keepNow()
    show(null, emptyTexts())
  }
  /**
   * Hands over what is typed and shows the next strip at once: a waiting one, or a new one, with what carries over. So a
   * letter typed while the set is being taken in belongs to the next. `giveBack` shows it again, where it could not be taken in;
   * where the next is being typed already, it stays on the pile.
   */
  function handOver(waiting: Draft | undefined): HandedOver {
    const typed: Texts = plainly({ ...texts })
    const id = openId.value ?? newId()
    const isKnown = pile.drafts.some(draft => draft.id === id)
    const kept = JSON.stringify(texts) === begunWith ? Promise.resolve(null) : keepTexts(id, typed)
    const handed = { facts: facts.value, written: typed.written, isFarMeant: isFarMeant.value }
    const fresh = waiting ? textsOfStrip(waiting) : emptyTexts()
    for (const field of CARRIED) fresh[field] ||= typed[field]
    show(waiting?.id ?? null, fresh)
    const begun = JSON.stringify(fresh)
    const giveBack = async (trouble: StorageTrouble): Promise<boolean> => {
      const isOnPile = (await kept) === null
      // Who types on already is not disturbed: it waits on the pile.
      if (isOnPile && JSON.stringify(texts) !== begun) return false
      show(id, typed)
      if (!isOnPile) begunWith = ''
      notKept.value = trouble
      return true
    }
    return { ...handed, draftId: kept.then(trouble => (trouble && !isKnown ? null : id)), giveBack }
  }
  async function keepNow(): Promise<void> {
    if (editing() || JSON.stringify(texts) === begunWith) return
    const now: Texts = plainly({ ...texts })
    openId.value ??= newId()
    const id = openId.value
    if (!(await isOurs)) return
    const trouble = await keepTexts(id, now)
    if (openId.value !== id) return
    // What is typed stays on the screen until it is kept.
    notKept.value = trouble
    if (trouble) unkept.keep(id, now)
    else {
      unkept.drop()
      begunWith = JSON.stringify(now)
    }
  }
  /** Keeps a strip in the pile. Tells what stood in the way, or null. */
  async function keepTexts(id: string, { pictureHash, packagingPictureHash, ...written }: Texts): Promise<StorageTrouble | null> {
    const strip =
      pile.drafts.find(draft => draft.id === id) ?? blankDraft({ id, rank: nextRank(pile.drafts), createdAt: new Date().toISOString() })
    return act.keepDraft({ ...strip, texts: written, pictureHash, packagingPictureHash }).then(
      () => null,
      (reason: unknown) => troubleOf(reason),
    )
  }
  const keep = useDebounceFn(keepNow, KEEP_AFTER_MS)
  watch(texts, () => void keep(), { deep: true })

  const size = computed(() => readSize(texts.size, catalogue.settings.unit))
  /** The details as they are read, and which of them cannot be: by the question that the text leaves open. */
  const details = computed(() => {
    const unread = new Map<Detail, OpenQuestion['code'] | null>()
    const { currency } = catalogue.settings
    const habits = { order: null, shortYears: false, thisYear: new Date().getFullYear(), currency }
    const read = readDetails(
      name => texts[name],
      habits,
      (name, ask) => unread.set(name, ask),
    )
    return { read, unread }
  })
  const isFuture = computed(() => {
    const { acquiredOn } = details.value.read
    return acquiredOn !== null && isLater(acquiredOn, dayOf(new Date()))
  })
  const themeNames = computed(() => [...texts.themes, ...(texts.theme.trim() ? [texts.theme.trim()] : [])])
  const facts = computed((): HoldingFacts => ({
    name: texts.name.trim(),
    brandName: texts.brand.trim(),
    kindId: texts.kindId || null,
    categoryName: texts.category.trim(),
    themeNames: themeNames.value,
    size: keptSize(),
    words: [...readWords(texts.words)],
    searchWords: [...texts.searchWords],
    ...details.value.read,
    ...(isFuture.value ? { acquiredOn: null } : {}),
    pictureHash: texts.pictureHash,
    packagingPictureHash: texts.packagingPictureHash,
  }))
  /** Of the set that is edited, the facts that were typed anew. */
  function changedFacts(): Partial<HoldingFacts> {
    const fields = new Set([...typed.changed()].flatMap(text => FACT_OF[text] ?? []))
    return Object.fromEntries(Object.entries(facts.value).filter(([field]) => fields.has(field as keyof HoldingFacts)))
  }
  /** A size that was not touched stays exactly what it was, not what its rounded text would read as. */
  function keptSize(): Holding['size'] {
    const before = editing()?.size
    if (before && texts.size === sizeText(before)) return before
    return size.value.ok ? { ...size.value.size } : null
  }
  const named = (records: Iterable<{ id: string; name: string }> | undefined, name: string): string | null =>
    [...(records ?? [])].find(record => isSameName(record.name, name))?.id ?? null
  const brandId = computed(
    () =>
      named(catalogue.tables?.brands.values(), texts.brand) ??
      [...(catalogue.tables?.brands.values() ?? [])].find(brand => brand.variants.some(variant => isSameName(variant, texts.brand)))?.id ??
      null,
  )

  /** The container that was chosen for it; empty: as the order has it. */
  const chosenId = shallowRef('')
  /** The set as it would be, for the filing rule: names that exist become their records. */
  const trial = computed((): Holding | null => {
    const tables = catalogue.tables
    if (!tables || (!texts.kindId && themeNames.value.length === 0 && !texts.brand)) return null
    return {
      ...blankHolding({ id: '', number: Math.max(1, ...catalogue.nextNumbers.values()), seriesId: '', name: texts.name, createdAt: '' }),
      kindId: texts.kindId || null,
      brandId: brandId.value,
      categoryId: named(tables.categories.values(), texts.category),
      themeIds: themeNames.value.flatMap(name => named(tables.themes.values(), name) ?? []),
      size: size.value.ok ? { ...size.value.size } : null,
    }
  })
  const proposal = computed(() => {
    if (!trial.value) return null
    const chosen = catalogue.room.rows.get(chosenId.value)
    return chosen ? proposeIn(chosen, trial.value, catalogue.facts) : proposePlace(trial.value, catalogue.facts)
  })

  /** The written number is far above the run: a code of the maker as likely. */
  const isFar = computed(() => {
    const number = readBareNumber(texts.written)
    const running = [...(catalogue.tables?.series.values() ?? [])].find(each => each.isRunning)
    const next = running && (catalogue.nextNumbers.get(running.id) ?? 1)
    return number !== null && next !== undefined && running?.countsBy !== 'maker' && isFarBeyond(number, next - 1)
  })

  return {
    texts,
    typed,
    shown,
    openId,
    notKept,
    isFar,
    isFarMeant,
    facts,
    changedFacts,
    size,
    details,
    isFuture,
    brandId,
    trial,
    proposal,
    chosenId,
    openStrip,
    beginNew,
    restore,
    handOver,
    keepNow,
    clear: () => show(null, emptyTexts()),
  }
}
