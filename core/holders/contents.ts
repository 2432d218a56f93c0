import type { Holding, Kind, Zone } from '#core/catalog'
import type { Size } from '#core/units'
import { HALF_INCH_MM } from '#core/units'

/** What goes into a holder: a flat thing, with the thickness of everything that goes in together. */
export interface Contents extends Size {
  readonly thicknessMm: number
  /** The layers that make up the thickness, for the answer to name. */
  readonly layers: readonly Layer[]
  /** Loose pieces that could be laid out differently; empty: it is one sheet. */
  readonly pieces: readonly Size[]
  /** Its size in its packaging, if that is kept; else null. */
  readonly packaged: Size | null
  /** Not all pieces are measured, and they may lie differently than on the sheet. */
  readonly mayRearrange: boolean
  /** Whether a thing of its kind may be trimmed, or cut. */
  readonly mayTrim: boolean
  readonly mayCut: boolean
}
interface Layer {
  readonly of: 'set' | 'insert' | 'magnet' | 'packaging' | 'dies'
  readonly mm: number
}

// Common practice: thickness of a set on its sheet, by material. Blocks, rollers and folders are as thick as they stand.
const SHEET_MM = 3
const THIN_DIE_MM = 1
/** Insert card of 300 gsm; magnet sheet on it 0.75 mm (common practice). */
const INSERT_MM = 0.4
const MAGNET_MM = 0.75
const PACKAGING_MM = 0.6
/** Printed packaging is larger than the sheet by so much on each side (common practice: half an inch). */
const PACKAGING_MORE_MM = HALF_INCH_MM
/** A thicker thing is no sheet: its usual thickness is its own. */
const SHEETS_UP_TO_MM = 8

/** Thickness of the bare thing: measured, or usual for its kind. The kind's thickness includes its holder. */
function bareThicknessMm(holding: Pick<Holding, 'thicknessMm'>, kind: Pick<Kind, 'family' | 'typicalThicknessMm'> | null): number {
  if (holding.thicknessMm !== null) return holding.thicknessMm
  const usual = kind?.typicalThicknessMm ?? SHEET_MM
  if (usual > SHEETS_UP_TO_MM) return usual
  return Math.min(usual, kind?.family === 'die' ? THIN_DIE_MM : SHEET_MM)
}

/** Families that are never cut, even if their kind allows it. A set of an unknown kind is not cut either. */
const UNCUT_FAMILIES: readonly Kind['family'][] = ['die', 'folder']
/** Stamps or dies on a thin sheet: they come off it and can be laid out differently. */
const isSheet = (holding: Pick<Holding, 'thicknessMm'>, kind: Pick<Kind, 'family' | 'typicalThicknessMm'> | null): boolean =>
  (kind?.family === 'stamp' || kind?.family === 'die') && bareThicknessMm(holding, kind) <= SHEETS_UP_TO_MM

/**
 * What goes into the holder of a set, by the habits of its zone; null: its size is not known.
 * @example contentsOf(set, clear, { insert: true, magnet: false, packaging: 'none', dies: 'apart' })?.thicknessMm //=> 3.4
 */
export function contentsOf(
  holding: Pick<Holding, 'size' | 'thicknessMm' | 'pieces' | 'hasMatchingDie'>,
  kind: Pick<Kind, 'family' | 'typicalThicknessMm' | 'mayTrim' | 'mayCut'> | null,
  habits: Zone['habits'],
): Contents | null {
  if (!holding.size) return null
  const layers: Layer[] = [{ of: 'set', mm: bareThicknessMm(holding, kind) }]
  if (habits.insert) layers.push({ of: 'insert', mm: INSERT_MM })
  if (habits.magnet) layers.push({ of: 'magnet', mm: MAGNET_MM })
  if (habits.dies === 'behind' && holding.hasMatchingDie === true) layers.push({ of: 'dies', mm: THIN_DIE_MM })
  const isPackaged = habits.packaging === 'keep' && kind?.family !== 'die'
  if (isPackaged) layers.push({ of: 'packaging', mm: PACKAGING_MM })
  const here = holding.pieces.filter(piece => !piece.isMissing && piece.livesWithId === null)
  const sizes = here.flatMap(piece => (piece.size ? [piece.size] : []))
  const isCuttable = kind !== null && !UNCUT_FAMILIES.includes(kind.family)
  return {
    ...holding.size,
    layers,
    thicknessMm: layers.reduce((sum, layer) => sum + layer.mm, 0),
    pieces: sizes.length === here.length ? sizes : [],
    mayRearrange: here.length !== 1 && (here.length === 0 || sizes.length < here.length) && isSheet(holding, kind),
    mayTrim: isCuttable && kind.mayTrim,
    mayCut: isCuttable && kind.mayCut,
    packaged: isPackaged
      ? { widthMm: holding.size.widthMm + PACKAGING_MORE_MM, heightMm: holding.size.heightMm + PACKAGING_MORE_MM }
      : null,
  }
}
