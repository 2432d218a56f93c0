import type { Container, ContainerType, Fixture } from '#core/catalog'
import { shelfRoom } from '#core/drawing'
import { namesAlong, shelfNumber } from '#core/room'
import { useCatalogue } from '~/data/useCatalogue'
import { useDescribe } from '~/data/useDescribe'
import { shelfWord } from '~/data/words'
import { buildingWords } from './buildingWords'

/** More of one shape on one shelf are a slip of the pen. */
export const MOST_AT_ONCE = 40

/** Containers that are about to be made: so many of one shape on each of some shelves. */
export interface Building {
  readonly fixture: Pick<Fixture, 'name' | 'type' | 'shelves' | 'widthMm' | 'shelfHeightsMm'> & Partial<Pick<Fixture, 'id'>>
  readonly shelves: readonly number[]
  readonly countEach: number
  readonly shape: Pick<Container, 'type' | 'inner' | 'lengthMm' | 'lanes' | 'cells'>
  readonly first: Pick<Container, 'name' | 'code'>
  /** The first is there already, and the others count on from it. */
  readonly isCopied?: boolean
}

/** What new containers are called, where they will stand, and whether there is room for them on the shelf. */
export function useBuilding() {
  const catalogue = useCatalogue()
  const { lengthText, lengthNeeded } = useDescribe()
  const containers = (): readonly Container[] => [...(catalogue.tables?.containers.values() ?? [])]

  /** What the names of a sort count on from. */
  const namesBefore = (type: ContainerType): Pick<Container, 'name' | 'code'> => ({
    name: `${buildingWords.names[type]} 0`,
    code: `${buildingWords.letters[type]}0`,
  })
  /** The next name of its sort: bins count their own, and so do binders. */
  function namesFor(type: ContainerType): Pick<Container, 'name' | 'code'> {
    const before = namesBefore(type)
    const shape = { ...before, type, lanes: 1, cells: null }
    return namesAlong(shape, containers(), catalogue.settings.addressPatterns, 1)[0] ?? before
  }
  /** The shelves of a piece of furniture from the top, as they are called. */
  const shelvesOf = ({ type, shelves }: Pick<Fixture, 'type' | 'shelves'>) =>
    Array.from({ length: shelves }, (_, at) => ({
      shelf: at + 1,
      text: buildingWords.shelf(shelfWord(type), shelfNumber(at + 1, shelves, catalogue.settings.shelvesFrom), at, shelves),
    }))
  /** What will stand where, and what of it does not fit: a sentence each. */
  function preview({ fixture, shelves, countEach, shape, first, isCopied = false }: Building) {
    const count = shelves.length * countEach
    const standing = isCopied ? containers() : [...containers(), { ...shape, ...first, id: '', shelf: 1 }]
    const names = [
      ...(isCopied ? [] : [first]),
      ...namesAlong({ ...shape, ...first }, standing, catalogue.settings.addressPatterns, isCopied ? count : count - 1),
    ]
    const word = shelfWord(fixture.type)
    const rooms = shelves.map(shelf => {
      const there = containers().filter(each => each.fixtureId === fixture.id && each.shelf === shelf && !each.isTable)
      return {
        shelf: shelfNumber(shelf, fixture.shelves, catalogue.settings.shelvesFrom),
        room: shelfRoom(fixture, shelf, there, shape, countEach),
      }
    })
    const narrow = rooms.find(({ room }) => room.fits !== null && room.fits < countEach)
    const low = rooms.find(({ room }) => room.clearMm !== null && room.highMm > room.clearMm)
    const care = [
      ...(narrow
        ? [
            buildingWords.narrow(
              word,
              narrow.shelf,
              narrow.room.fits ?? 0,
              countEach,
              lengthNeeded(narrow.room.needMm),
              lengthText(narrow.room.haveMm ?? 0),
            ),
          ]
        : []),
      ...(low ? [buildingWords.low(word, low.shelf, lengthNeeded(low.room.highMm), lengthText(low.room.clearMm ?? 0))] : []),
    ]
    const onShelf = fixture.shelves > 1 ? `${word} ${rooms[0]?.shelf ?? 1}` : ''
    const fits = fixture.widthMm === null ? buildingWords.widthUnknown(fixture.name) : buildingWords.fits
    return {
      says: buildingWords.willStand(
        names[0]?.name ?? '',
        names.at(-1)?.name ?? '',
        names.length,
        fixture.name,
        shelves.length > 1 ? buildingWords.each(countEach, word, shelves.length) : onShelf,
      ),
      fits: care.length > 0 ? '' : fits,
      care,
    }
  }
  return { namesBefore, namesFor, shelvesOf, preview }
}
