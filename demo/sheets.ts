import { drawMotif, type MotifName } from './motifs'
import { around, box, circle, line, moved, onCircle, path, rosette } from './pen'
import type { Size } from '#core/units'
import type { Chance } from './random'
import { FACE_NAMES, type FaceName, setText } from './type'

/** What a sheet is made from. Sizes in millimetres; the drawing is in tenths, so that strokes stay whole. */
export interface SheetOrder {
  readonly widthMm: number
  readonly heightMm: number
  readonly category: string
  readonly motifs: readonly MotifName[]
  readonly phrases: readonly string[]
  readonly isDie: boolean
}
export interface Sheet {
  readonly svg: string
  /** The phrases that found room. */
  readonly words: readonly string[]
  /** What can be cut apart, as large as it is drawn; empty where the sheet is one piece, or is not measured. */
  readonly pieces: readonly SheetPiece[]
}
export interface SheetPiece extends Size {
  readonly at: { readonly xMm: number; readonly yMm: number }
  readonly words: readonly string[]
}

interface Area {
  readonly x: number
  readonly y: number
  readonly width: number
  readonly height: number
}
interface Drawn {
  readonly svg: string
  readonly words: readonly string[]
  readonly pieces?: readonly SheetPiece[]
}
type Draw = (order: SheetOrder, area: Area, chance: Chance) => Drawn

const MARGIN = 40
const UNITS_A_MM = 10
const pieceOf = (x: number, y: number, width: number, height: number, words: readonly string[]): SheetPiece => ({
  at: { xMm: x / UNITS_A_MM, yMm: y / UNITS_A_MM },
  widthMm: width / UNITS_A_MM,
  heightMm: height / UNITS_A_MM,
  words,
})

function phraseSet(text: string, area: Area, face: FaceName, biggest: number): ReturnType<typeof setText> {
  const trial = setText(text, face, 100)
  return setText(text, face, Math.min(biggest, (area.width / trial.width) * 100, area.height * 1.1))
}
const squareIn = (cell: Area, side: number, motif: MotifName): SheetPiece =>
  pieceOf(cell.x + (cell.width - side) / 2, cell.y + (cell.height - side) / 2, side, side, [motif])
/** A phrase as it is cut: with its letters below the line. */
function phrasePiece(text: string, area: Area, face: FaceName, biggest: number): SheetPiece {
  const set = phraseSet(text, area, face, biggest)
  const top = area.y + (area.height + set.ascent) / 2 - set.ascent * 1.05
  return pieceOf(area.x + (area.width - set.width) / 2, Math.max(0, top), set.width, set.ascent * 1.35, [text])
}
function phraseIn(text: string, area: Area, face: FaceName, biggest: number): string {
  const set = phraseSet(text, area, face, biggest)
  return `<g transform="translate(${area.x + (area.width - set.width) / 2} ${area.y + (area.height + set.ascent) / 2})">${set.svg}</g>`
}

const spokes = (): string => around(8, degrees => line(onCircle(12, degrees), onCircle(46, degrees)))

function motifIn(name: MotifName, area: Area, chance: Chance): string {
  const scale = Math.min(area.width, area.height) / 104
  const motif = moved(area.x + area.width / 2, area.y + area.height / 2, scale, drawMotif(name, chance))
  return `<g stroke-width="${Math.max(1.8, 6.5 / scale)}">${motif}</g>`
}

function grid(area: Area, columns: number, rows: number): Area[] {
  return Array.from({ length: columns * rows }, (_, index) => ({
    x: area.x + ((index % columns) * area.width) / columns,
    y: area.y + (Math.floor(index / columns) * area.height) / rows,
    width: area.width / columns,
    height: area.height / rows,
  }))
}

/** Pictures in cells of unlike size, with a phrase or two in the gaps. */
const images: Draw = ({ motifs, phrases }, area, chance) => {
  const columns = area.width > 1300 || area.width > area.height * 1.3 ? 3 : 2
  const rows = Math.max(2, Math.round((area.height / area.width) * columns))
  const cells = grid(area, columns, rows)
  const wordCells = new Set(phrases.slice(0, 2).map((_, index) => (index === 0 ? cells.length - 1 : Math.floor(cells.length / 2) - 1)))
  let [drawn, said] = [0, 0]
  const words: string[] = []
  const pieces: SheetPiece[] = []
  const face = chance.pick(FACE_NAMES)
  const svg = cells
    .map((cell, index) => {
      const phrase = wordCells.has(index) ? phrases[said] : undefined
      if (phrase) {
        said += 1
        words.push(phrase)
        const room = { ...cell, x: cell.x + 14, width: cell.width - 28 }
        pieces.push(phrasePiece(phrase, room, face, 150))
        return phraseIn(phrase, room, face, 150)
      }
      const inset = chance.between(10, Math.min(cell.width, cell.height) * 0.16)
      drawn += 1
      const motif = motifs[(drawn - 1) % motifs.length] as MotifName
      const side = Math.min(cell.width, cell.height) - 2 * inset
      pieces.push(squareIn(cell, side, motif))
      return motifIn(
        motif,
        { x: cell.x + inset, y: cell.y + inset, width: cell.width - 2 * inset, height: cell.height - 2 * inset },
        chance,
      )
    })
    .join('')
  return { svg, words, pieces }
}

/** Phrases one below the other, large and small, with a picture at the foot. */
const sentiments: Draw = ({ motifs, phrases }, area, chance) => {
  const faces = chance.some(FACE_NAMES, 2)
  const count = Math.min(phrases.length, Math.max(2, Math.round(area.height / 190)))
  const shares = Array.from({ length: count }, (_, index) => (index % 3 === 0 ? 1.5 : 1))
  const foot = area.height > 900 && motifs.length > 0 ? area.height * 0.22 : 0
  const unit = (area.height - foot) / shares.reduce((sum, each) => sum + each, 0)
  let y = area.y
  const pieces: SheetPiece[] = []
  const svg = shares
    .map((share, index) => {
      const height = unit * share
      const row = { x: area.x, y: y + height * 0.1, width: area.width, height: height * 0.8 }
      y += height
      pieces.push(phrasePiece(phrases[index] ?? '', row, faces[index % 2] ?? 'book', share > 1 ? 300 : 170))
      return phraseIn(phrases[index] ?? '', row, faces[index % 2] ?? 'book', share > 1 ? 300 : 170)
    })
    .join('')
  const pictures = foot
    ? grid({ ...area, y: area.y + area.height - foot, height: foot }, 3, 1)
        .map((cell, index) => {
          const [motif, side] = [motifs[index % motifs.length] as MotifName, Math.min(cell.width, cell.height)]
          pieces.push(squareIn(cell, side, motif))
          return motifIn(motif, cell, chance)
        })
        .join('')
    : ''
  return { svg: svg + pictures, words: phrases.slice(0, count), pieces }
}

const signs =
  (letters: string): Draw =>
  (_order, area, chance) => {
    const face = chance.pick(FACE_NAMES)
    const columns = Math.max(3, Math.round(Math.sqrt((letters.length * area.width) / area.height)))
    const cells = grid(area, columns, Math.ceil(letters.length / columns))
    const svg = [...letters]
      .map((letter, index) => phraseIn(letter, cells[index] as Area, face, Math.min(cells[0]?.height ?? 90, 280) * 0.9))
      .join('')
    return { svg, words: [] }
  }

/** Strips of a repeated mark: waves, dots, scallops, twisted rope, small pictures. */
const borders: Draw = ({ motifs }, area, chance) => {
  const rows = grid(area, 1, Math.max(4, Math.round(area.height / 160)))
  const strip = (row: Area, style: number): string => {
    const count = Math.round(row.width / (row.height * 0.7))
    const step = row.width / count
    const y = row.y + row.height / 2
    const each = (draw: (x: number, index: number) => string): string =>
      Array.from({ length: count }, (_, index) => draw(row.x + step * (index + 0.5), index)).join('')
    const r = step * 0.34
    if (style === 0)
      return (
        each(x => path(`M${x - step / 2} ${y}q${step / 4} ${-r} ${step / 2} 0t${step / 2} 0`)) +
        each(x => path(`M${x - step / 2} ${y + 22}q${step / 4} ${-r} ${step / 2} 0t${step / 2} 0`))
      )
    if (style === 1) return each((x, index) => circle(x, y, index % 2 ? r * 0.4 : r))
    if (style === 2)
      return (
        each(x => path(`M${x - step / 2} ${y + r / 2}a${step / 2} ${step / 2} 0 0 1 ${step} 0`) + circle(x, y - r * 0.4, 5)) +
        line([row.x, y + r / 2 + 12], [row.x + row.width, y + r / 2 + 12])
      )
    if (style === 3)
      return each(x =>
        path(
          `M${x - step / 2} ${y + r}c${step * 0.2} ${-r} ${step * 0.5} ${-r * 1.6} ${step} ` +
            `${-r * 2}M${x - step / 2} ${y + r}c${step * 0.5} ${-r * 0.2} ${step * 0.8} ${-r} ${step} ${-r * 2}`,
        ),
      )
    return each((x, index) =>
      motifIn(motifs[index % motifs.length] as MotifName, { x: x - r * 1.25, y: y - r * 1.25, width: r * 2.5, height: r * 2.5 }, chance),
    )
  }
  return {
    svg: rows.map((row, index) => strip({ ...row, y: row.y + 10, height: row.height - 20 }, (index + chance.whole(0, 1)) % 5)).join(''),
    words: [],
  }
}

/** One pattern from edge to edge. */
const backgrounds: Draw = ({ motifs, phrases }, area, chance) => {
  const style = chance.whole(0, 4)
  const clip = (svg: string): string => `<g clip-path="url(#sheet)">${svg}</g>`
  const size = chance.between(110, 190)
  const columns = Math.ceil(area.width / size) + 1
  const rows = Math.ceil(area.height / size) + 1
  const field = (draw: (x: number, y: number, index: number) => string): string =>
    Array.from({ length: columns * rows }, (_, index) => {
      const row = Math.floor(index / columns)
      return draw(area.x + (index % columns) * size + (row % 2 ? size / 2 : 0), area.y + row * size, index)
    }).join('')
  if (style === 0)
    return {
      svg: clip(
        field((x, y, index) =>
          motifIn(
            motifs[index % motifs.length] as MotifName,
            { x: x - size * 0.4, y: y - size * 0.4, width: size * 0.8, height: size * 0.8 },
            chance,
          ),
        ),
      ),
      words: [],
    }
  if (style === 1)
    return {
      svg: clip(
        field((x, y) => [0.5, 0.36, 0.2].map(r => path(`M${x - size * r} ${y}a${size * r} ${size * r} 0 0 1 ${size * r * 2} 0`)).join('')),
      ),
      words: [],
    }
  if (style === 2)
    return {
      svg: clip(
        field((x, y) => box(x - size / 2, y - size / 4, size * 0.94, size * 0.44, 6) + box(x, y + size / 4, size * 0.94, size * 0.44, 6)),
      ),
      words: [],
    }
  if (style === 3) {
    const face = chance.pick(['hand', 'book', 'typed'] as const)
    const text = phrases.join('   ')
    return {
      svg: clip(
        Array.from(
          { length: Math.ceil(area.height / 110) },
          (_, row) =>
            `<g transform="translate(${area.x - ((row * 260) % 700)} ` +
            `${area.y + 80 + row * 110})">${setText(`${text}   ${text}   ${text}`, face, 96).svg}</g>`,
        ).join(''),
      ),
      words: phrases,
    }
  }
  return {
    svg: clip(
      field((x, y, index) => `<g transform="translate(${x} ${y}) scale(${size / 130})">${index % 2 ? rosette(8, 44, 30) : spokes()}</g>`),
    ),
    words: [],
  }
}

/** Nested outlines: rounds, ovals, squares, scalloped rounds, tags. */
const shapes: Draw = (_order, area, chance) => {
  const style = chance.whole(0, 4)
  const [x, y] = [area.x + area.width / 2, area.y + area.height / 2]
  const most = Math.min(area.width, area.height) / 2
  const tall = Math.min(area.height / 2 / most, 1.35)
  const one = (r: number): string => {
    if (style === 0) return circle(x, y, r)
    if (style === 1) return `<ellipse cx="${x}" cy="${y}" rx="${r}" ry="${r * tall}"/>`
    if (style === 2) return box(x - r, y - r * tall, 2 * r, 2 * r * tall, r * 0.12)
    if (style === 3) return `<g transform="translate(${x} ${y})">${scalloped(r, Math.max(10, Math.round(r / 26)))}</g>`
    return (
      path(
        `M${x - r * 0.6} ${y + r * tall}L${x - r * 0.6} ${y - r * tall * 0.6}L${x - r * 0.2} ${y - r * tall}L${x + r * 0.2} ` +
          `${y - r * tall}L${x + r * 0.6} ${y - r * tall * 0.6}L${x + r * 0.6} ${y + r * tall}Z`,
      ) + circle(x, y - r * tall * 0.76, r * 0.08)
    )
  }
  const count = chance.whole(4, 7)
  const radii = Array.from({ length: count }, (_, index) => most * (1 - index / (count + 1)))
  const [across, up] = style === 4 ? [1.2, 2 * tall] : [2, style === 1 || style === 2 ? 2 * tall : 2]
  return {
    svg: radii.map(one).join(''),
    words: [],
    pieces: radii.map(r => pieceOf(x - (r * across) / 2, y - (r * up) / 2, r * across, r * up, [])),
  }
}

function scalloped(radius: number, count: number): string {
  const points = Array.from({ length: count + 1 }, (_, index) => onCircle(radius * 0.92, (index * 360) / count))
  const bump = (radius * 0.92 * Math.PI) / count
  return path(
    `M${points[0]?.join(' ')}${points
      .slice(1)
      .map(([x, y]) => `A${bump} ${bump} 0 0 1 ${x} ${y}`)
      .join('')}Z`,
  )
}

const frames: Draw = (order, area, chance) => {
  const cells = grid(area, area.width > 900 ? 2 : 1, 2)
  const inset = 24
  return {
    pieces: cells.map((cell, index) =>
      pieceOf(cell.x + inset, cell.y + inset, cell.width - 2 * inset, cell.height - 2 * inset, [
        order.motifs[index % order.motifs.length] as MotifName,
      ]),
    ),
    svg: cells
      .map((cell, index) => {
        const [w, h] = [cell.width - 2 * inset, cell.height - 2 * inset]
        const frame =
          box(cell.x + inset, cell.y + inset, w, h, index % 2 ? 60 : 10) +
          box(cell.x + inset + 26, cell.y + inset + 26, w - 52, h - 52, index % 2 ? 44 : 4)
        const side = Math.min(w, h) * 0.36
        return (
          frame +
          motifIn(
            order.motifs[index % order.motifs.length] as MotifName,
            { x: cell.x + inset + w / 2 - side / 2, y: cell.y + inset + h / 2 - side / 2, width: side, height: side },
            chance,
          )
        )
      })
      .join(''),
    words: [],
  }
}

const DRAW: Readonly<Record<string, Draw>> = {
  Images: images,
  Sentiments: sentiments,
  Alphabets: signs('ABCDEFGHIJKLMNOPQRSTUVWXYZ&!?'),
  Numbers: signs('0123456789.,:'),
  Borders: borders,
  Backgrounds: backgrounds,
  Shapes: shapes,
  'Frames and tags': frames,
}

/** A sheet as SVG at true size. Dies are drawn as the outline of their cutting edge: a dark line with a light core. */
export function drawSheet(order: SheetOrder, chance: Chance): Sheet {
  const [width, height] = [order.widthMm * 10, order.heightMm * 10]
  const area: Area = { x: MARGIN, y: MARGIN, width: width - 2 * MARGIN, height: height - 2 * MARGIN }
  const { svg, words, pieces = [] } = (DRAW[order.category] ?? images)(order.isDie ? { ...order, phrases: [] } : order, area, chance)
  const ink = order.isDie
    ? `<g stroke="#1B2340" stroke-width="13">${thick(svg, 13)}</g><g stroke="#fff" stroke-width="7">${thick(svg, 7)}</g>`.replaceAll(
        'fill="#1B2340" stroke="none"',
        'fill="none"',
      )
    : `<g stroke="#1B2340" stroke-width="6.5">${svg}</g>`
  return {
    words,
    pieces,
    svg:
      `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${width} ${height}"><defs><clipPath ` +
      `id="sheet"><rect x="${MARGIN}" y="${MARGIN}" width="${area.width}" ` +
      `height="${area.height}"/></clipPath></defs><rect width="${width}" height="${height}" fill="#fff"/><g ` +
      `fill="none" stroke-linecap="round" stroke-linejoin="round">${ink}</g></svg>`,
  }
}

/** Strokes inside scaled groups keep one visible width: the group's own width is the ink's width over its scale. */
function thick(svg: string, width: number): string {
  return svg.replace(/stroke-width="([\d.]+)"/g, (_, own: string) => `stroke-width="${(Number(own) * width) / 6.5}"`)
}
