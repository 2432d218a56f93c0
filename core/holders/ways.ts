import type { FitWay, HolderType } from '#core/catalog'
import { EPSILON_MM, type Size } from '#core/units'
import type { Contents } from './contents'
import { isFlat, openingFor } from './opening'
import { type Laid, packPieces, type Tries } from './packing'
import { tiltThatFits } from './tilt'

/** How the thing lies in the holder, for the drawing and the figures. In mm, from the lower left of the opening. */
interface Lying {
  /** The opening of the holder at this thickness. */
  readonly opening: Size
  /** The thing before it is turned by an angle; trimmed or folded, if the way does so. */
  readonly lies: Size
  /** Counter-clockwise. At 90 the sides of `lies` are swapped already. */
  readonly angleDeg: number
  readonly spareWidthMm: number
  readonly spareHeightMm: number
}
export interface FitAnswer extends Lying {
  readonly way: FitWay
  readonly isIrreversible: boolean
  /** Number of holders that one set takes. */
  readonly holders: number
  /** Trimmed off the width and the height. */
  readonly trimWidthMm: number
  readonly trimHeightMm: number
  /** How far it sticks out of the open top. */
  readonly sticksOutMm: number
  /** The layout of loose pieces, if they are laid out anew. */
  readonly laid: readonly Laid[]
}

// Common practice, per pair of sides: comfortable, sliding, snug. Below the last, a measured size decides nothing.
const LOOSE_MM = 6
const FITS_MM = 1.5
export const SNUG_MM = 0.5
/** A size by ruler or photo is off by up to this: within it a plain yes would be wrong. */
const UNSURE_MM = 0.5
/** A set whose pieces come off their sheet may exceed the opening by so much (common practice: 1/4 in). */
const EXCEEDS_UP_TO_MM = 6.4
/** Up to 1/8 in is trimmed off a side (common practice), off two opposite sides that is twice as much. */
const TRIM_A_SIDE_MM = 3.2
/** A thing that sticks out further leans and bends. */
const STICKS_OUT_UP_TO_MM = 30

/** Not every layout was tried: whether it fits in this way is not known. */
export const UNTRIED = 'untried'
type Way = (contents: Contents, type: HolderType, tries: Tries) => FitAnswer | null | typeof UNTRIED

const plain = { isIrreversible: false, holders: 1, trimWidthMm: 0, trimHeightMm: 0, sticksOutMm: 0, laid: [] } as const

function lying(opening: Size, lies: Size, angleDeg = 0): Lying {
  return { opening, lies, angleDeg, spareWidthMm: opening.widthMm - lies.widthMm, spareHeightMm: opening.heightMm - lies.heightMm }
}
const least = ({ spareWidthMm, spareHeightMm }: Lying): number => Math.min(spareWidthMm, spareHeightMm)
const turned = ({ widthMm, heightMm }: Size): Size => ({ widthMm: heightMm, heightMm: widthMm })
/** The size as it goes in: with its packaging, if that is kept. */
export const whole = (contents: Contents): Size => contents.packaged ?? contents
/** Upright or turned by 90 degrees, whichever leaves more slack. */
function better(opening: Size, size: Size): Lying {
  const [upright, quarter] = [lying(opening, size), lying(opening, turned(size), 90)]
  return least(quarter) > least(upright) + EPSILON_MM ? quarter : upright
}
/** Upright, with slack between two limits. */
const upright =
  (way: FitWay, from: number, below: number): Way =>
  (contents, type) => {
    const opening = openingFor(type, contents.thicknessMm, true)
    const lies = opening && lying(opening, whole(contents))
    return lies && least(lies) >= from && least(lies) < below ? { ...plain, way, ...lies } : null
  }

/** Every way to fit behind one signature: the answer, or null if it does not fit in this way. */
export const WAYS_TO_FIT: Readonly<Record<FitWay, Way>> = {
  loose: upright('loose', LOOSE_MM, Infinity),
  fits: upright('fits', FITS_MM, LOOSE_MM),
  snug: upright('snug', SNUG_MM, FITS_MM),
  // As large as the opening within the error of measuring; or a little larger, if tilting or a new layout may help.
  zeroClearance: (contents, type) => {
    const opening = openingFor(type, contents.thicknessMm, true)
    const lies = opening && better(opening, whole(contents))
    if (!opening || !lies || least(lies) >= UNSURE_MM) return null
    if (least(lies) > -UNSURE_MM) return { ...plain, way: 'zeroClearance', ...lies }
    const angleDeg = slant(contents, opening, UNSURE_MM)
    if (angleDeg !== null && slant(contents, opening, -SNUG_MM) === null)
      return { ...plain, way: 'zeroClearance', ...tiltedIn(contents, opening, angleDeg) }
    return contents.mayRearrange && !contents.packaged && least(lies) >= -EXCEEDS_UP_TO_MM
      ? { ...plain, way: 'zeroClearance', ...lies }
      : null
  },
  turned: (contents, type) => {
    const opening = openingFor(type, contents.thicknessMm, true)
    const lies = opening && lying(opening, turned(whole(contents)), 90)
    return lies && least(lies) >= SNUG_MM ? { ...plain, way: 'turned', ...lies } : null
  },
  tilted: (contents, type) => {
    const opening = openingFor(type, contents.thicknessMm, true)
    const angleDeg = opening && slant(contents, opening, -SNUG_MM)
    return opening && angleDeg !== null ? { ...plain, way: 'tilted', ...tiltedIn(contents, opening, angleDeg) } : null
  },
  rearranged: (contents, type, tries) => {
    const opening = openingFor(type, contents.thicknessMm, true)
    if (!opening || contents.pieces.length < 2) return null
    const packing = packPieces(contents.pieces, opening, tries)
    if (!packing.ok) return packing.isCertain ? null : UNTRIED
    const reach = (side: (each: Laid) => number): number => Math.max(...packing.laid.map(side))
    const lies = { widthMm: reach(each => each.xMm + each.widthMm), heightMm: reach(each => each.yMm + each.heightMm) }
    return { ...plain, way: 'rearranged', ...lying(opening, lies), laid: packing.laid }
  },
  foldPackaging: (contents, type) => {
    const opening = openingFor(type, contents.thicknessMm, true)
    const lies = opening && contents.packaged ? better(opening, contents) : null
    return lies && least(lies) >= SNUG_MM ? { ...plain, way: 'foldPackaging', ...lies } : null
  },
  // Too thick for the flap, but a flat holder that stands upright in a row also holds with its flap open.
  flapOpen: (contents, type) => {
    const opening = type.closure !== 'none' && isFlat(type) ? openingFor(type, contents.thicknessMm, false) : null
    const lies = opening && better(opening, whole(contents))
    return lies && least(lies) >= SNUG_MM ? { ...plain, way: 'flapOpen', ...lies } : null
  },
  // In its packaging, nothing can be trimmed or cut.
  trim: (contents, type) => {
    if (!contents.mayTrim || contents.packaged) return null
    const opening = openingFor(type, contents.thicknessMm, true)
    const lies = opening && better(opening, contents)
    if (!lies || least(lies) >= SNUG_MM) return null
    const [trimWidthMm, trimHeightMm] = [Math.max(0, SNUG_MM - lies.spareWidthMm), Math.max(0, SNUG_MM - lies.spareHeightMm)]
    if (Math.max(trimWidthMm, trimHeightMm) > 2 * TRIM_A_SIDE_MM) return null
    const trimmed = { widthMm: lies.lies.widthMm - trimWidthMm, heightMm: lies.lies.heightMm - trimHeightMm }
    return { ...plain, way: 'trim', ...lying(lies.opening, trimmed, lies.angleDeg), isIrreversible: true, trimWidthMm, trimHeightMm }
  },
  sticksOut: (contents, type) => {
    const opening = isFlat(type) && type.type !== 'celledPage' ? openingFor(type, contents.thicknessMm, false) : null
    const lies =
      opening &&
      [lying(opening, whole(contents)), lying(opening, turned(whole(contents)), 90)]
        .filter(each => each.spareWidthMm >= SNUG_MM && each.spareHeightMm < SNUG_MM)
        .sort((a, b) => b.spareHeightMm - a.spareHeightMm)[0]
    const sticksOutMm = lies ? -lies.spareHeightMm : 0
    return lies && sticksOutMm > 0 && sticksOutMm <= STICKS_OUT_UP_TO_MM ? { ...plain, way: 'sticksOut', ...lies, sticksOutMm } : null
  },
  cutInTwo: (contents, type) => {
    const opening = openingFor(type, contents.thicknessMm, true)
    if (!opening || !contents.mayCut || contents.packaged || contents.pieces.length === 1) return null
    const halves = [
      { widthMm: contents.widthMm / 2, heightMm: contents.heightMm },
      { widthMm: contents.widthMm, heightMm: contents.heightMm / 2 },
    ]
    const best = halves.map(half => better(opening, half)).sort((a, b) => least(b) - least(a))[0]
    return best && least(best) >= SNUG_MM ? { ...plain, way: 'cutInTwo', ...best, isIrreversible: true, holders: 2 } : null
  },
}

/** The angle at which it goes into an opening that is larger by `moreMm`; null: only upright or turned by 90 degrees. */
function slant(contents: Contents, { widthMm, heightMm }: Size, moreMm: number): number | null {
  const angleDeg = tiltThatFits(whole(contents), { widthMm: widthMm + moreMm, heightMm: heightMm + moreMm })
  return angleDeg === null || angleDeg < 1 || angleDeg > 89 ? null : angleDeg
}
function tiltedIn(contents: Contents, opening: Size, angleDeg: number): Lying {
  const { widthMm, heightMm } = whole(contents)
  const angle = (angleDeg * Math.PI) / 180
  return {
    ...lying(opening, whole(contents), angleDeg),
    spareWidthMm: opening.widthMm - widthMm * Math.cos(angle) - heightMm * Math.sin(angle),
    spareHeightMm: opening.heightMm - widthMm * Math.sin(angle) - heightMm * Math.cos(angle),
  }
}
