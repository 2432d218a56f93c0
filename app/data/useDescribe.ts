import type { Holding, RecordOf } from '#core/catalog'
import { type Code, codeOf as codeIn, codeText, type NumberFacts, numberSource, writeCode } from '#core/numbering'
import type { InsertionPoint, InsertionProposal } from '#core/filing'
import { type AddressedPlace, isLookedAt, neighboursOf, type Placement, shelfNumber, shortAddress, type Standing } from '#core/room'
import { type LengthStyle, type Size, writeLength, writeSize, writeThin, type LengthUnit } from '#core/units'
import { addressIn } from './addresses'
import { containerWay, placeSentence, placeWords, shelfWord } from './words'
import { useCatalogue } from './useCatalogue'

const NO_TABLES = { series: new Map<string, never>(), kinds: new Map<string, never>() }

/** Sets and places in words: what slips, lists, captions and the printed index all say. */
export function useDescribe() {
  const catalogue = useCatalogue()

  const lookUp = <T extends 'brands' | 'kinds' | 'categories' | 'themes' | 'fixtures'>(
    table: T,
    id: string | null | undefined,
  ): RecordOf<T> | undefined => (id ? (catalogue.tables?.[table].get(id) as RecordOf<T> | undefined) : undefined)

  const codeOf = (holding: Holding): Code => codeIn(holding, catalogue.tables ?? NO_TABLES)
  /** The number that a set with these facts will most likely get, as its series writes it. */
  function nextCode(facts: NumberFacts, kindId: string | null): Code {
    const all = [...(catalogue.tables?.series.values() ?? [])]
    const running = all.find(series => series.isRunning)
    if (!running) return { figure: '', suffix: '' }
    const { series, wanted } = numberSource(running, all, facts, () => '')
    return writeCode(series, wanted ?? catalogue.nextNumbers.get(series.id) ?? 1, lookUp('kinds', kindId) ?? null)
  }
  /** The address of a place, the owner's way. */
  const address = (place: AddressedPlace): string => shortAddress(place, catalogue.settings.addressPatterns)
  const code = (holding: Holding): string => codeText(codeOf(holding))
  const numberAndName = (holding: Holding): string => `${codeOf(holding).figure} ${holding.name}`

  /** How a placement's neighbour is called: by the first set in its holder. */
  function nameOf(placement: Placement | null): string | null {
    const holding = placement ? catalogue.tables?.holdings.get(placement.holder.holdingIds[0] ?? '') : undefined
    return holding ? numberAndName(holding) : null
  }
  function neighbours(placement: Placement): { front: Placement | null; behind: Placement | null } {
    const row = catalogue.room.rows.get(placement.container.id)
    return row ? neighboursOf(row, placement) : { front: null, behind: null }
  }
  /** The way to a container: its furniture, the shelf counted as this room counts, and its name where that is wanted. */
  const wayTo = (container: Placement['container'], isNamed = true): string =>
    containerWay(lookUp('fixtures', container.fixtureId), container, catalogue.settings.shelvesFrom, isNamed)
  /** A shelf of some furniture, as this room counts. */
  function shelfText(fixtureId: string, shelf: number): string {
    const fixture = lookUp('fixtures', fixtureId)
    return fixture ? `${shelfWord(fixture.type)} ${shelfNumber(shelf, fixture.shelves, catalogue.settings.shelvesFrom)}` : ''
  }
  function standingText(standing: Standing): string {
    const way = wayTo(standing.container)
    if (!isLookedAt(standing)) return placeWords.somewhere(way, standing.page)
    const { front, behind } = neighbours(standing)
    return placeSentence(standing, way, nameOf(front), nameOf(behind))
  }
  function placeOf(holding: Holding): string {
    const placement = catalogue.room.placements.get(holding.id)
    if (!placement) return holding.placeText ? placeWords.listSays(holding.placeText) : placeWords.none
    const sentence = standingText(placement)
    const other = catalogue.room.halves.get(holding.id)?.[1]
    return other ? placeWords.halves(sentence, address(other)) : sentence
  }
  function addressOf(holding: Holding): string | null {
    return addressIn(catalogue.room, catalogue.settings.addressPatterns, holding.id)
  }
  /** What would stand on the pocket of a set that is put there. */
  function codeAt({ container, lane, front, cell }: InsertionPoint): string {
    const isSameRow = front?.container.id === container.id && front.lane === lane
    return address({ container, lane, cell, position: (isSameRow ? front.position : 0) + 1 })
  }
  function proposalText(proposal: InsertionProposal): string {
    if (!proposal.ok) return placeWords.problems[proposal.code]
    const { point } = proposal
    const way = wayTo(point.container)
    return point.cell
      ? placeWords.proposalCell(way, point.cell.page, point.cell.cell)
      : placeWords.proposal(way, point.section?.title ?? null, nameOf(point.front), nameOf(point.behind))
  }

  const style = (): LengthStyle => ({
    unit: catalogue.settings.unit,
    ticks: catalogue.settings.trimmerTicks,
    reduced: catalogue.settings.reducedFractions,
  })
  const sizeText = (size: Size): string => writeSize(size, style())
  const lengthText = (mm: number): string => writeLength(mm, style())
  /** What is thin, and what it is written in where no unit stands with it. */
  const thinText = (mm: number): string => writeThin(mm, catalogue.settings.unit)
  const thinUnit = (): LengthUnit => (catalogue.settings.unit === 'in' ? 'in' : 'mm')
  /** What there must be: never less than the figure, so upwards. */
  const lengthNeeded = (mm: number): string => writeLength(mm, style(), 'up')

  return {
    address,
    addressOf,
    code,
    codeAt,
    codeOf,
    lengthNeeded,
    lengthText,
    lookUp,
    nameOf,
    neighbours,
    nextCode,
    numberAndName,
    placeOf,
    proposalText,
    shelfText,
    sizeText,
    thinText,
    thinUnit,
    wayTo,
  }
}
