import type { LabelTemplateId } from '#core/catalog'
import { PT_PER_MM } from '#core/units'
import { codeText } from '#core/numbering'
import type { Measure, PageItem } from '../page'
import { codeModules, placeCode, QUIET_MODULES } from './qr'
import { type ShortenedHow, shortenText } from './shorten'
import { type LabelRow, type LabelRun, TEMPLATES } from './templates'
import type { LabelThing, LabelWords } from './things'

/** The space of one label. */
export interface LabelSpace {
  /** Printable height, and the whole height with its blank edges. */
  readonly printableMm: number
  readonly wholeMm: number
  /** Longest label. */
  readonly longestMm: number
  /** A label of a sheet has a fixed length; one on tape is as long as its text. */
  readonly isFixed: boolean
}
export interface ShortenedPart {
  readonly from: string
  readonly to: string
  readonly how: ShortenedHow | 'number'
}
export interface LaidLabel {
  readonly of: string
  readonly template: LabelTemplateId
  /** Its text, line by line. */
  readonly says: readonly string[]
  readonly lengthMm: number
  /** From the upper left corner of the printable area. */
  readonly items: readonly PageItem[]
  readonly shortened: readonly ShortenedPart[]
  /** `noRoom`: it has no text; `tiny`: the letters are too small to read; `noCode`: the code would be unreadable, and is left out. */
  readonly troubles: readonly ('noRoom' | 'tiny' | 'noCode')[]
}

/** Smaller letters cannot be read at arm's length: common practice. */
const LEAST_PT = 5
/** Gap between the pieces of a line, as a share of its size; height of letters in a line; their distance below its middle. */
const GAP_EM = 0.45
const FILL = 0.94
const LINE_EM = 1.15
const BELOW_MIDDLE_EM = 0.35

interface Line {
  readonly runs: readonly { readonly run: LabelRun; readonly text: string; readonly sizePt: number; readonly widthPt: number }[]
  readonly sizePt: number
  readonly heightPt: number
  readonly widthPt: number
  readonly shortened: readonly ShortenedPart[]
  readonly hasRoom: boolean
}

/** Sizes a row, and shortens what does not fit: brands first, then names. */
function setRow({ share, maxPt, runs }: LabelRow, heightPt: number, widthPt: number, suffix: string, measure: Measure): Line {
  const sizePt = Math.min(maxPt, share * heightPt * FILL)
  const gap = GAP_EM * sizePt
  const sizeOf = ({ scale }: LabelRun): number => sizePt * scale
  const widthOf = (text: string, run: LabelRun): number => measure(text, run.font, sizeOf(run))
  const texts = runs.map(({ text }) => text)
  const shortened: ShortenedPart[] = []
  let hasRoom = true
  const taken = (): number => texts.reduce((sum, text, at) => sum + widthOf(text, runs[at] as LabelRun), gap * (runs.length - 1))
  const bearer = suffix === '' ? -1 : runs.findLastIndex(({ rule }) => rule === 'name')
  for (const rule of ['brand', 'name'] as const)
    runs.forEach((run, at) => {
      const end = at === bearer ? ` ${suffix}` : ''
      if (run.rule !== rule || (taken() <= widthPt && end === '')) return
      const room = widthPt - (taken() - widthOf(texts[at] ?? '', run))
      const found = shortenText(run.text, text => widthOf(text + end, run) <= room, run.short)
      hasRoom &&= found !== null
      if (found?.how) shortened.push({ from: run.text, to: found.text, how: found.how })
      if (end) shortened.push({ from: run.text, to: `${found?.text ?? ''}${end}`, how: 'number' })
      texts[at] = found ? found.text + end : ''
    })
  const set = runs.map((run, at) => ({ run, text: texts[at] ?? '', sizePt: sizeOf(run), widthPt: widthOf(texts[at] ?? '', run) }))
  const width = taken()
  // Tolerance for rounding.
  return { runs: set, sizePt, heightPt: sizePt * LINE_EM, widthPt: width, shortened, hasRoom: hasRoom && width <= widthPt + 0.01 }
}

/** A name over two lines, split where the longer one is shortest; null: it is one word, or has no line of its own. */
function wrapped(rows: readonly LabelRow[], measure: Measure): readonly LabelRow[] | null {
  const at = rows.findIndex(({ runs: [only, ...rest] }) => only?.rule === 'name' && rest.length === 0)
  const [row, run] = [rows[at], rows[at]?.runs[0]]
  const words = run?.text.split(' ') ?? []
  if (!row || !run || words.length < 2) return null
  const parts = words.slice(1).map((_, cut) => [words.slice(0, cut + 1).join(' '), words.slice(cut + 1).join(' ')] as const)
  const widest = (lines: readonly string[]): number => Math.max(...lines.map(line => measure(line, run.font, 1)))
  const best = parts.reduce((least, each) => (widest(each) < widest(least) ? each : least))
  return rows.toSpliced(at, 1, ...best.map(text => ({ ...row, share: row.share / 2, runs: [{ ...run, text }] })))
}

/** First layout that fits whole at a readable size; else the last one, shortened. */
function setRows(
  thing: LabelThing,
  words: LabelWords,
  suffix: string,
  heightPt: number,
  widthPt: number,
  measure: Measure,
): readonly Line[] {
  const set = (rows: readonly LabelRow[]): readonly Line[] =>
    rows.map((row, at) => setRow(row, heightPt, widthPt, at === nameRow(rows) ? suffix : '', measure))
  const isWhole = (lines: readonly Line[]): boolean =>
    lines.every(({ hasRoom, shortened, sizePt }) => hasRoom && sizePt >= LEAST_PT && shortened.every(({ how }) => how === 'number'))
  const ways = TEMPLATES[thing.template].ways(thing, words)
  for (const rows of ways)
    for (const way of [rows, wrapped(rows, measure)]) {
      const lines = way ? set(way) : []
      if (lines.length > 0 && isWhole(lines)) return lines
    }
  return set(ways.at(-1) ?? [])
}
/** The row that bears the number if two labels would be alike: that of the name, or the last. */
const nameRow = (rows: readonly LabelRow[]): number => rows.findLastIndex(({ runs }) => runs.some(({ rule }) => rule === 'name'))

/** A code and its room; null: there is none, or it would be unreadable for a phone. */
function codeFor(thing: LabelThing, space: LabelSpace) {
  const [set] = thing.sets
  if (thing.kind !== 'set' || !set) return null
  const modules = codeModules(set.figure)
  return { modules, place: placeCode(modules.length, space.printableMm, space.wholeMm) }
}

/** One label. `suffix`: text behind the name that distinguishes it from an equal one. */
function composeOne(
  thing: LabelThing,
  space: LabelSpace,
  hasCode: boolean,
  suffix: string,
  words: LabelWords,
  measure: Measure,
): LaidLabel {
  const heightPt = space.printableMm * PT_PER_MM
  const code = hasCode ? codeFor(thing, space) : null
  const codePt = code && !code.place.isTooSmall ? code.place.widthMm * PT_PER_MM : 0
  const widthPt = space.longestMm * PT_PER_MM - codePt
  const lines = setRows(thing, words, suffix, heightPt, widthPt, measure)
  const textPt = Math.max(0, ...lines.map(each => each.widthPt))
  const lengthPt = space.isFixed ? widthPt + codePt : textPt + codePt
  const isCentred = TEMPLATES[thing.template].isCentred
  let y = (heightPt - lines.reduce((sum, each) => sum + each.heightPt, 0)) / 2
  const items: PageItem[] = code && codePt > 0 ? drawCode(code.modules, code.place.moduleMm * PT_PER_MM, heightPt) : []
  for (const line of lines) {
    let x = codePt + (isCentred ? (lengthPt - codePt - line.widthPt) / 2 : 0)
    const base = y + line.heightPt / 2 + line.sizePt * BELOW_MIDDLE_EM
    for (const { run, text, sizePt, widthPt: wide } of line.runs) {
      if (text !== '') items.push({ type: 'text', x, y: base, sizePt, font: run.font, ink: 'black', text })
      x += wide + GAP_EM * line.sizePt
    }
    y += line.heightPt
  }
  const isEmpty = lines.length === 0 || lines.some(({ hasRoom }) => !hasRoom)
  return {
    of: thing.of,
    template: thing.template,
    says: lines.map(({ runs }) =>
      runs
        .map(({ text }) => text)
        .filter(Boolean)
        .join(' '),
    ),
    lengthMm: lengthPt / PT_PER_MM,
    items,
    shortened: lines.flatMap(each => each.shortened),
    troubles: [
      ...(isEmpty ? (['noRoom'] as const) : []),
      ...(lines.some(({ sizePt }) => sizePt < LEAST_PT) ? (['tiny'] as const) : []),
      ...(code?.place.isTooSmall ? (['noCode'] as const) : []),
    ],
  }
}

/** Dark modules, adjacent ones as one area; the quiet zone is the blank around them. */
function drawCode(modules: readonly (readonly boolean[])[], modulePt: number, heightPt: number): PageItem[] {
  const top = (heightPt - modules.length * modulePt) / 2
  const left = QUIET_MODULES * modulePt
  return modules.flatMap((line, row) => {
    const areas: PageItem[] = []
    for (let from = 0; from < line.length; from += 1) {
      let to = from
      while (line[to]) to += 1
      if (to > from)
        areas.push({
          type: 'area',
          x: left + from * modulePt,
          y: top + row * modulePt,
          widthPt: (to - from) * modulePt,
          heightPt: modulePt,
          ink: 'black',
        })
      from = to
    }
    return areas
  })
}

/**
 * Labels of these things, independent of which others are printed with them: a thing always gets the same label, and no two sets get equal
 * ones. If two would be equal, the later one by number bears its number behind the name. `things`: all of the room, so that a label of
 * today differs from those of last year. O(things x measurements).
 */
export function composeLabels(
  things: readonly LabelThing[],
  { space, hasCode, words, measure }: { space: LabelSpace; hasCode: boolean; words: LabelWords; measure: Measure },
): ReadonlyMap<string, LaidLabel> {
  const laid = new Map<string, LaidLabel>()
  const taken = new Set<string>()
  const first = ({ sets }: LabelThing): number => Number(sets[0]?.figure.replace(/\D/g, '') ?? 0)
  for (const thing of [...things].sort((a, b) => first(a) - first(b) || (a.of < b.of ? -1 : 1))) {
    let label = composeOne(thing, space, hasCode, '', words, measure)
    if (!TEMPLATES[thing.template].isUnique) {
      const [set] = thing.sets
      const alike = (): string => label.says.join(' ').toLocaleLowerCase('en')
      // A name may end like the number of another set: then the number is in brackets.
      for (const mark of set ? [codeText(set), `(${codeText(set)})`, `[${codeText(set)}]`] : [])
        if (taken.has(alike())) label = composeOne(thing, space, hasCode, mark, words, measure)
      taken.add(alike())
    }
    laid.set(thing.of, label)
  }
  return laid
}
