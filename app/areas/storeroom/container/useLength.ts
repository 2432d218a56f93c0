import { computed, type MaybeRefOrGetter, toValue } from 'vue'
import { readLength } from '#core/units'
import { useCatalogue } from '~/data/useCatalogue'

/** A length as typed, in millimetres; null while it cannot be read. */
export function useLength(text: MaybeRefOrGetter<string>) {
  const catalogue = useCatalogue()
  return computed((): number | null => {
    const reading = readLength(toValue(text), catalogue.settings.unit)
    return reading.ok ? reading.mm : null
  })
}
