import { useDebounceFn } from '@vueuse/core'
import { computed, reactive, shallowRef, watch } from 'vue'
import type { HolderKind, Holding } from '#core/catalog'
import { brandIn, LookAlikes, type LookAlikeVerdict } from '#core/classing'
import { roomFor } from '#core/capacity'
import { zoneFor } from '#core/filing'
import { type NumberedSeries, seriesOf } from '#core/finding'
import { useFind } from '~/subjects/ask/useFind'
import { useOutlook } from '~/subjects/room/useOutlook'
import { usePile } from '~/subjects/pile/usePile'
import { useCatalogue } from '~/data/useCatalogue'
import { useTyped } from '~/kit/useTyped'

export interface OwnedLike {
  readonly holding: Holding
  readonly verdict: LookAlikeVerdict
}
export interface OwnAnswer {
  /** What was asked when this was found. */
  readonly text: string
  readonly likes: readonly OwnedLike[]
  /** Names on the pile: owned, and not taken in yet. */
  readonly onPile: readonly string[]
  /** Sets that answer to the words, and are not among the likes. */
  readonly hits: readonly Holding[]
  readonly hitCount: number
  /** The numbered series that it is of. */
  readonly series: NumberedSeries | null
}
const RESTS_MS = 120
const MOST_HITS = 6
/** So many of what answers best are held against the name, letter by letter. */
const MOST_NEAR = 200
const ORDER: readonly LookAlikeVerdict[] = ['same', 'edition', 'similar']

/** Whether something is owned: by its name, in its series, and whether there is room for one more. */
export function useOwn() {
  const [catalogue, find, pile, outlook] = [useCatalogue(), useFind(), usePile(), useOutlook()]
  const start = { text: '', kindId: '' }
  const form = reactive({ ...start })
  const typed = useTyped(form)
  typed.begin('own', start)
  pile.open()

  const named = computed(() => brandIn(form.text, catalogue.tables?.brands.values() ?? []))
  const answer = shallowRef<OwnAnswer | null>(null)
  const ask = useDebounceFn(async () => {
    const text = form.text.trim()
    if (text.length < 2) return void (answer.value = null)
    const [brandId, name] = [named.value?.brandId ?? null, named.value?.rest || text]
    await find.catchUp()
    const [answered, byName] = await Promise.all([find.answerTo(text), name === text ? null : find.answerTo(name)])
    // An answer that comes after the next letter says nothing about it.
    if (text !== form.text.trim()) return
    const holdingOf = (id: string): Holding[] => {
      const holding = catalogue.tables?.holdings.get(id)
      return holding ? [holding] : []
    }
    const near = new LookAlikes()
    for (const holding of (byName ?? answered)?.ids.slice(0, MOST_NEAR).flatMap(holdingOf) ?? []) near.put(holding)
    for (const { id, texts } of pile.drafts) near.put({ id, name: texts.name, brandId: null })
    const alike = near.ask(name, brandId)
    const likes = alike
      .flatMap(({ id, verdict }) => holdingOf(id).map(holding => ({ holding, verdict })))
      .sort((a, b) => ORDER.indexOf(a.verdict) - ORDER.indexOf(b.verdict))
    const onPile = alike.flatMap(({ id, verdict }) =>
      verdict === 'similar' ? [] : (pile.drafts.find(draft => draft.id === id)?.texts.name ?? []),
    )
    const isExact = (answered?.words?.mode ?? 'all') === 'all'
    const hits = (isExact ? (answered?.ids ?? []) : []).filter(id => !likes.some(like => like.holding.id === id))
    answer.value = {
      text,
      likes,
      onPile,
      hits: hits.slice(0, MOST_HITS).flatMap(holdingOf),
      hitCount: hits.length,
      series: seriesOf(name, brandId, catalogue.tables?.holdings.values() ?? []),
    }
  }, RESTS_MS)
  watch([() => form.text, () => catalogue.tables?.holdings, () => pile.drafts], () => void ask(), { immediate: true })

  const series = computed(() => answer.value?.series ?? null)

  /** The likest sets. Of a series the number tells: that number is the same thing, however it is written. */
  const likes = computed((): readonly OwnedLike[] => {
    const own = series.value?.owned.find(each => each.number === series.value?.asked)
    const holding = own && catalogue.tables?.holdings.get(own.id)
    const others = answer.value?.likes ?? []
    return holding ? [{ holding, verdict: 'same' }, ...others.filter(each => each.holding.id !== holding.id)] : others
  })
  /** A number of a series that is owned in part is asked for, and is not owned. */
  const isLacking = computed(
    () => series.value !== null && series.value.asked !== null && series.value.lacking.includes(series.value.asked),
  )

  /** The kind it is taken for: as chosen, that of the likest, or the commonest in the room. */
  const commonest = computed(() => {
    const counts = new Map<string, number>()
    for (const { kindId } of catalogue.tables?.holdings.values() ?? []) if (kindId) counts.set(kindId, (counts.get(kindId) ?? 0) + 1)
    return [...counts].sort((a, b) => b[1] - a[1])[0]?.[0] ?? ''
  })
  const kindId = computed({
    get: () => form.kindId || (likes.value[0]?.holding.kindId ?? answer.value?.hits[0]?.kindId ?? commonest.value),
    set: id => (form.kindId = id),
  })
  /** What it would sit in: as most sets of its kind do. */
  const sitsIn = computed(() => {
    const counts = new Map<HolderKind, number>()
    for (const { holder } of catalogue.room.placements.values())
      if (holder.holdingIds.some(id => catalogue.tables?.holdings.get(id)?.kindId === kindId.value))
        counts.set(holder.type, (counts.get(holder.type) ?? 0) + 1)
    return [...counts].sort((a, b) => b[1] - a[1])[0]?.[0] ?? null
  })
  const room = computed(() => {
    const zoneId = zoneFor({ kindId: kindId.value }, catalogue.facts.zones)?.id
    const found = outlook.zones.value.find(({ zone }) => zone.id === zoneId)
    if (!found) return null
    const more = roomFor(
      id => catalogue.tables?.holdings.get(id),
      id => catalogue.tables?.kinds.get(id),
      catalogue.learnt,
    )
    const one = { kindId: kindId.value, sitsIn: sitsIn.value, thicknessMm: null }
    return {
      zone: found.zone,
      more: found.containers.reduce((sum, { row }) => sum + more(row, one), 0),
      isReserve: found.outlook.state === 'reserve',
      cap: found.cap,
    }
  })
  return { form, answer, likes, series, isLacking, kindId, room }
}
