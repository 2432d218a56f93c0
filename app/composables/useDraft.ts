import { useDebounceFn } from '@vueuse/core'
import { computed, onMounted, reactive, shallowRef, watch } from 'vue'
import { readWords } from '#core/exchange'
import { blankHolding, type Holding } from '#core/catalog'
import { proposePlace } from '#core/room'
import { readSize } from '#core/units'
import { commands, database } from '~/db'
import type { HoldingFacts } from '~/db/commands'
import { useCatalogue } from '~/stores/catalogue'
import { useDescribe } from './useDescribe'

/** What is being typed in Take in: plain texts, as they stand in the fields. */
export interface DraftTexts {
  name: string
  brand: string
  kindId: string
  category: string
  themes: string[]
  theme: string
  size: string
  words: string
  notes: string
  pictureHash: string | null
}
const emptyDraft = (): DraftTexts => ({ name: '', brand: '', kindId: '', category: '', themes: [], theme: '', size: '', words: '', notes: '', pictureHash: null })
const KEEP_AFTER_MS = 150

/**
 * The draft of a set: every keystroke is kept in the database, so that closing the tab loses nothing. For a set that
 * is in the catalogue already (`editing`), the draft starts from it and is not kept.
 */
export function useDraft(editing: () => Holding | null) {
  const catalogue = useCatalogue()
  const { lookUp, sizeText } = useDescribe()
  const texts = reactive<DraftTexts>(emptyDraft())
  const isRestored = shallowRef(false)

  function textsOf(holding: Holding): DraftTexts {
    return {
      name: holding.name, brand: lookUp('brands', holding.brandId)?.name ?? '', kindId: holding.kindId ?? '', category: lookUp('categories', holding.categoryId)?.name ?? '',
      themes: holding.themeIds.flatMap(id => lookUp('themes', id)?.name ?? []), theme: '', size: holding.size ? sizeText(holding.size) : '',
      words: holding.words.map(word => /[,;|]/.test(word) ? `"${word}"` : word).join(', '), notes: holding.notes, pictureHash: holding.pictureHash,
    }
  }
  watch(editing, (holding) => { if (holding) Object.assign(texts, textsOf(holding)) }, { immediate: true })

  onMounted(async () => {
    if (editing()) return
    const kept = await database().device.get('draft')
    if (!kept) return
    Object.assign(texts, emptyDraft(), JSON.parse(kept.value) as Partial<DraftTexts>)
    isRestored.value = !isBlank()
  })
  const isBlank = (): boolean => JSON.stringify(texts) === JSON.stringify(emptyDraft())
  const keep = useDebounceFn(() => editing() ? undefined : commands.noteDraft(database(), isBlank() ? null : JSON.stringify(texts)), KEEP_AFTER_MS)
  watch(texts, () => void keep(), { deep: true })

  const size = computed(() => readSize(texts.size, catalogue.settings.unit))
  const themeNames = computed(() => [...texts.themes, ...texts.theme.trim() ? [texts.theme.trim()] : []])
  const facts = computed((): HoldingFacts => ({
    name: texts.name.trim(), brandName: texts.brand.trim(), kindId: texts.kindId || null, categoryName: texts.category.trim(), themeNames: themeNames.value,
    size: keptSize(), words: readWords(texts.words), notes: texts.notes, pictureHash: texts.pictureHash,
  }))
  /** A size that was not touched stays exactly what it was, not what its rounded text would read as. */
  function keptSize(): Holding['size'] {
    const before = editing()?.size
    if (before && texts.size === sizeText(before)) return before
    return size.value.ok ? { ...size.value.size } : null
  }

  /** The set as it would be, for the filing rule: names that exist become their records. */
  const proposal = computed(() => {
    const named = (records: Iterable<{ id: string, name: string }> | undefined, name: string): string | null =>
      [...records ?? []].find(record => record.name.toLowerCase() === name.trim().toLowerCase())?.id ?? null
    const tables = catalogue.tables
    if (!tables || (!texts.kindId && themeNames.value.length === 0 && !texts.brand)) return null
    const trial: Holding = {
      ...blankHolding({ id: '', number: catalogue.nextNumber ?? 1, seriesId: '', name: texts.name, createdAt: '' }),
      kindId: texts.kindId || null, brandId: named(tables.brands.values(), texts.brand), categoryId: named(tables.categories.values(), texts.category),
      themeIds: themeNames.value.flatMap(name => named(tables.themes.values(), name) ?? []), size: size.value.ok ? { ...size.value.size } : null,
    }
    return proposePlace(trial, catalogue.facts)
  })

  function clear(): void {
    Object.assign(texts, emptyDraft())
    isRestored.value = false
    void commands.noteDraft(database(), null)
  }
  return { texts, facts, size, proposal, isRestored, clear }
}
