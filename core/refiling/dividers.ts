import type { Section } from '#core/catalog'
import { HALF_INCH_MM } from '#core/units'

/** A group of a lane that gets a divider in front of its first holder. */
export interface TabGroup {
  readonly standsFor: NonNullable<Section['standsFor']>
  readonly title: string
  readonly beforeHolderId: string
  /** Height of the tallest holder behind it. */
  readonly holderHeightMm: number
}
export interface TabHabit {
  /** Number of tab positions across the lane, used in turn; common practice is three positions and six colours. */
  readonly positions: number
  readonly colours: number
  /** Height of the part above the holders, which is read. */
  readonly tabMm: number
  /** Blanks from which the owner cuts dividers. */
  readonly blanks: readonly { readonly widthMm: number; readonly heightMm: number }[]
}
// Common practice: left, centre, right in turn; blanks of 5 1/2 x 8 1/2, 7 1/4 x 10 1/2 and 9 1/2 x 5 in.
export const START_TABS: TabHabit = {
  positions: 3,
  colours: 6,
  tabMm: HALF_INCH_MM,
  blanks: [
    { widthMm: 139.7, heightMm: 215.9 },
    { widthMm: 184.15, heightMm: 266.7 },
    { widthMm: 241.3, heightMm: 127 },
  ],
}

export interface PlannedTab extends TabGroup {
  readonly colour: number
  /** From the left, starting at 0. */
  readonly position: number
  /** Lowest height at which it can be read above the holders. */
  readonly heightMm: number
  /** The smallest blank it can be cut from, and what comes off its height; null: none is large enough. */
  readonly blank: { readonly widthMm: number; readonly heightMm: number } | null
  readonly cutDownMm: number
  readonly fault: 'tooTall' | 'wouldHide' | null
}

/**
 * The dividers of one lane. Existing tabs keep position and colour, so that an insertion changes as little as possible; a new tab takes a
 * position that neither neighbour has.
 */
export function planTabs(
  groups: readonly TabGroup[],
  standing: readonly Pick<Section, 'standsFor' | 'colour'>[],
  lane: { readonly widthMm: number | null; readonly headroomMm: number | null },
  habit: TabHabit,
): readonly PlannedTab[] {
  const kept = new Map(standing.flatMap(section => (section.standsFor ? [[keyOf(section.standsFor), section.colour]] : [])))
  const colours: number[] = []
  groups.forEach((group, at) => {
    const before = colours[at - 1] ?? -1
    const next = groups[at + 1]
    const ahead = next ? kept.get(keyOf(next.standsFor)) : undefined
    const fresh = Array.from({ length: habit.colours }, (_, step) => (before + 1 + step) % habit.colours).find(
      colour =>
        colour % habit.positions !== before % habit.positions &&
        (ahead === undefined || colour % habit.positions !== ahead % habit.positions),
    )
    colours.push(kept.get(keyOf(group.standsFor)) ?? fresh ?? (before + 1) % habit.colours)
  })
  return groups.map((group, at) => {
    const colour = colours[at] ?? 0
    const heightMm = group.holderHeightMm + habit.tabMm
    const blank =
      [...habit.blanks]
        .sort((a, b) => a.widthMm * a.heightMm - b.widthMm * b.heightMm)
        .find(each => each.heightMm >= heightMm && (lane.widthMm === null || each.widthMm <= lane.widthMm)) ?? null
    const isTooTall = lane.headroomMm !== null && heightMm > lane.headroomMm
    const tallest = Math.max(0, ...habit.blanks.map(each => each.heightMm))
    return {
      ...group,
      colour,
      position: colour % habit.positions,
      heightMm,
      blank,
      cutDownMm: blank ? blank.heightMm - heightMm : 0,
      fault: faultOf(isTooTall, tallest <= group.holderHeightMm),
    }
  })
}
function faultOf(isTooTall: boolean, wouldHide: boolean): PlannedTab['fault'] {
  if (isTooTall) return 'tooTall'
  return wouldHide ? 'wouldHide' : null
}
const keyOf = ({ by, id }: NonNullable<Section['standsFor']>): string => `${by}/${id}`

export interface TabChanges {
  readonly add: readonly PlannedTab[]
  readonly takeOut: readonly Section[]
  /** Existing tabs whose title changes, or that go in front of another holder. */
  readonly rewrite: readonly { readonly section: Section; readonly tab: PlannedTab }[]
  readonly stay: number
}

/** Only the tabs that change, compared by what they stand for, their title and their colour. */
export function changedTabs(planned: readonly PlannedTab[], standing: readonly Section[]): TabChanges {
  const left = new Map(standing.flatMap(section => (section.standsFor ? [[keyOf(section.standsFor), section]] : [])))
  const add: PlannedTab[] = []
  const rewrite: { section: Section; tab: PlannedTab }[] = []
  let stay = 0
  for (const tab of planned) {
    const section = left.get(keyOf(tab.standsFor))
    left.delete(keyOf(tab.standsFor))
    if (!section) add.push(tab)
    else if (section.title !== tab.title || section.colour !== tab.colour) rewrite.push({ section, tab })
    else stay += 1
  }
  return { add, rewrite, stay, takeOut: [...standing.filter(section => !section.standsFor), ...left.values()] }
}

/**
 * As much of a title as a tab takes: whole words first, then their beginnings.
 * @example tabText('Greywether Press', 'GREY', 6) //=> 'GREY'
 */
export function tabText(title: string, abbreviation: string | null, most: number): string {
  if (title.length <= most) return title
  if (abbreviation && abbreviation.length <= most) return abbreviation
  const words = title.split(/\s+/)
  const each = Math.max(1, Math.floor((most - words.length + 1) / words.length))
  const short = words.map(word => word.slice(0, each)).join(' ')
  return short.slice(0, most).trim()
}
