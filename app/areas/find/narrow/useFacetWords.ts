import { type Facet, NOT_SAID, sizeOfClass } from '#core/finding'
import { useCatalogue } from '~/data/useCatalogue'
import { useDescribe } from '~/data/useDescribe'
import { narrowWords } from './words'

/** What ways of narrowing and their values are called. */
export function useFacetWords() {
  const catalogue = useCatalogue()
  const { lookUp, sizeText } = useDescribe()
  const NAMES: Readonly<Record<Facet, (value: string) => string | undefined>> = {
    kind: id => lookUp('kinds', id)?.name,
    theme: id => lookUp('themes', id)?.name,
    brand: id => lookUp('brands', id)?.name,
    category: id => lookUp('categories', id)?.name,
    size: value => narrowWords.about(sizeText(sizeOfClass(value))),
    place: id => catalogue.tables?.containers.get(id)?.name,
    used: value => narrowWords.yesNo.used[value as 'yes' | 'no'],
    die: value => narrowWords.yesNo.die[value as 'yes' | 'no'],
  }
  /** A name that is gone, as one in an old address of the page may be, is what it was written as. */
  const valueName = (facet: Facet, value: string): string => {
    if (value === NOT_SAID) return facet === 'place' ? narrowWords.noPlace : narrowWords.notSaid
    return NAMES[facet](value) ?? narrowWords.notSaid
  }
  return { facetName: (facet: Facet): string => narrowWords.facets[facet], valueName }
}
