import { useDebounceFn } from '@vueuse/core'
import { ulid } from 'ulid'
import { computed, reactive, shallowRef, watch } from 'vue'
import { blankDraft, blankHolding, type Draft, type DraftTexts, type Holding, nextRank } from '#core/catalog'
import { readDate, readPrice, readWords, writePrice } from '#core/exchange'
import { proposePlace } from '#core/filing'
import { readSize } from '#core/units'
import { commands, database } from '~/db'
import type { HoldingFacts } from '~/db/commands'
import { useCatalogue } from '~/data/useCatalogue'
import { usePile } from '~/areas/takeIn/pile/usePile'
import { useDescribe } from '~/data/useDescribe'
import { useStripLock } from './useStripLock'

type Texts = DraftTexts & { pictureHash: string | null }
const emptyTexts = (): Texts => ({ ...blankDraft({ id: '', rank: 0, createdAt: '' }).texts, pictureHash: null })
/** What the next strip takes over from the one before, until it is changed. */
const CARRIED = ['brand', 'kindId', 'size', 'acquiredOn', 'price'] as const
const KEEP_AFTER_MS = 150

/**
 * A strip of the pile: every keystroke is kept in the database, so that closing the tab loses nothing. For a set that
 * is in the catalogue already (`editing`), the texts start from it and are not kept.
 */
export function useDraft(editing: () => Holding | null) {
  const catalogue = useCatalogue()
  const pile = usePile()
  const { lookUp, sizeText } = useDescribe()
  const texts = reactive<Texts>(emptyTexts())
  const openId = shallowRef<string | null>(null)
  const lock = useStripLock()
  watch(openId, id => lock.hold(id))
  /** What the strip began with: a strip that only carries something over is not worth keeping yet. */
  let begunWith = JSON.stringify(texts)

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
      acquiredOn: holding.acquiredOn ?? '',
      price: holding.price ? writePrice(holding.price) : '',
      notes: holding.notes,
      pictureHash: holding.pictureHash,
    }
  }
  function show(id: string | null, fresh: Texts): void {
    openId.value = id
    begunWith = JSON.stringify(fresh)
    Object.assign(texts, fresh)
  }
  watch(
    editing,
    holding => {
      if (holding) show(null, textsOf(holding))
    },
    { immediate: true },
  )

  function openStrip(draft: Draft): void {
    void keepNow()
    show(draft.id, { ...emptyTexts(), ...draft.texts, pictureHash: draft.pictureHash })
  }
  /** What was left open the last time, unless another tab has it open, or something is being typed already. */
  async function restore(): Promise<boolean> {
    const first = await lock.firstFree(pile.drafts)
    if (!first || openId.value !== null || JSON.stringify(texts) !== begunWith) return false
    openStrip(first)
    return true
  }
  /** A new strip with what carries over from this one. */
  function next(): void {
    const carried = Object.fromEntries(CARRIED.map(field => [field, texts[field]]))
    show(null, { ...emptyTexts(), ...carried })
  }
  async function keepNow(): Promise<void> {
    if (editing() || JSON.stringify(texts) === begunWith) return
    begunWith = JSON.stringify(texts)
    const { pictureHash, ...written } = JSON.parse(begunWith) as Texts
    const known = pile.drafts.find(draft => draft.id === openId.value)
    openId.value ??= ulid()
    const blank = blankDraft({ id: openId.value, rank: nextRank(pile.drafts), createdAt: new Date().toISOString() })
    await commands.keepDraft(database(), { ...(known ?? blank), texts: written, pictureHash })
  }
  const keep = useDebounceFn(keepNow, KEEP_AFTER_MS)
  watch(texts, () => void keep(), { deep: true })

  const size = computed(() => readSize(texts.size, catalogue.settings.unit))
  const date = computed(() => readDate(texts.acquiredOn, { order: null, shortYears: false, thisYear: new Date().getFullYear() }))
  const isFuture = computed(() => date.value.ok && date.value.date > new Date().toISOString().slice(0, date.value.date.length))
  const price = computed(() => readPrice(texts.price, catalogue.settings.currency))
  const themeNames = computed(() => [...texts.themes, ...(texts.theme.trim() ? [texts.theme.trim()] : [])])
  const facts = computed((): HoldingFacts => ({
    name: texts.name.trim(),
    brandName: texts.brand.trim(),
    kindId: texts.kindId || null,
    categoryName: texts.category.trim(),
    themeNames: themeNames.value,
    size: keptSize(),
    words: readWords(texts.words),
    searchWords: texts.searchWords,
    acquiredOn: date.value.ok && !isFuture.value ? date.value.date : null,
    price: price.value ? { ...price.value } : null,
    notes: texts.notes,
    pictureHash: texts.pictureHash,
  }))
  /** A size that was not touched stays exactly what it was, not what its rounded text would read as. */
  function keptSize(): Holding['size'] {
    const before = editing()?.size
    if (before && texts.size === sizeText(before)) return before
    return size.value.ok ? { ...size.value.size } : null
  }
  const named = (records: Iterable<{ id: string; name: string }> | undefined, name: string): string | null =>
    [...(records ?? [])].find(record => record.name.toLowerCase() === name.trim().toLowerCase())?.id ?? null
  const brandId = computed(
    () =>
      named(catalogue.tables?.brands.values(), texts.brand) ??
      [...(catalogue.tables?.brands.values() ?? [])].find(brand =>
        brand.variants.some(variant => variant.toLowerCase() === texts.brand.trim().toLowerCase()),
      )?.id ??
      null,
  )

  /** The set as it would be, for the filing rule: names that exist become their records. */
  const proposal = computed(() => {
    const tables = catalogue.tables
    if (!tables || (!texts.kindId && themeNames.value.length === 0 && !texts.brand)) return null
    const trial: Holding = {
      ...blankHolding({ id: '', number: Math.max(1, ...catalogue.nextNumbers.values()), seriesId: '', name: texts.name, createdAt: '' }),
      kindId: texts.kindId || null,
      brandId: brandId.value,
      categoryId: named(tables.categories.values(), texts.category),
      themeIds: themeNames.value.flatMap(name => named(tables.themes.values(), name) ?? []),
      size: size.value.ok ? { ...size.value.size } : null,
    }
    return proposePlace(trial, catalogue.facts)
  })

  return {
    texts,
    openId,
    facts,
    size,
    date,
    isFuture,
    price,
    brandId,
    proposal,
    openStrip,
    restore,
    next,
    keepNow,
    clear: () => show(null, emptyTexts()),
  }
}
