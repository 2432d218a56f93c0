import { useDebounceFn } from '@vueuse/core'
import { computed, shallowRef, toValue, type MaybeRefOrGetter, watch } from 'vue'
import type { ClassFacts, ClassField, Suggestion } from '#core/classing'
import { pileWords } from '~/subjects/pile/words'
import { useAdvice } from './useAdvice'
import { useDescribe } from '~/data/useDescribe'

const ASK_AFTER_MS = 60
export type NamedSuggestion = Suggestion & { readonly name: string; readonly text: string }

/** Suggested classes for what is being typed, each with its name and with what it rests on in words. */
export function useSuggestions(facts: MaybeRefOrGetter<ClassFacts>) {
  const advice = useAdvice()
  const { lookUp } = useDescribe()
  const found = shallowRef<readonly Suggestion[]>([])
  const ask = useDebounceFn(async () => {
    const { name, words, brandId } = toValue(facts)
    found.value =
      name.trim() === '' && words.length === 0 ? [] : ((await advice.ask(api => api.suggest({ name, words: [...words], brandId }))) ?? [])
  }, ASK_AFTER_MS)
  watch(
    () => JSON.stringify(toValue(facts)),
    () => void ask(),
    { immediate: true },
  )

  const tables = { kind: 'kinds', category: 'categories', theme: 'themes' } as const
  const word = (because: string): string =>
    because.startsWith('brand:') ? pileWords.brandWord(lookUp('brands', because.slice('brand:'.length))?.name ?? '') : because
  const named = computed(() =>
    found.value.flatMap((each): NamedSuggestion[] => {
      const name = lookUp(tables[each.field], each.id)?.name
      return name ? [{ ...each, name, text: pileWords.suggested(name, each.because.map(word), each.examples) }] : []
    }),
  )
  const of = (field: ClassField): readonly NamedSuggestion[] => named.value.filter(each => each.field === field)
  return { named, of }
}
