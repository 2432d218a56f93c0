import { least } from 'd3-array'
import { type Matrix3, perspective, type Point, type Quad } from './perspective'

/** Focal lengths of cameras, as shares of the longer side of the picture: from very wide to long (common practice). */
const FOCALS = [0.55, 0.7, 0.9, 1.15, 1.5, 2, 2.7, 3.6] as const

export interface CameraFit {
  /** 0 if the corners are those of the rectangle, 0.1 if its sides are about a tenth off. */
  readonly misfit: number
  /** Angle between the camera's axis and the vertical. */
  readonly tiltDeg: number
}

/**
 * How well four corners in a photo agree with a rectangle of this width and height, seen by a camera that looks through the middle of the
 * photo. For a camera, the two directions of the plane are at right angles and equally long (the two constraints of Zhang 2000, IEEE PAMI
 * 22(11), 1330-1334). This distinguishes a sheet that is slanted until its longer side looks shorter from one that is turned. The focal
 * length with the best agreement is used.
 */
export function cameraFit(
  corners: Quad,
  { widthMm, heightMm }: { readonly widthMm: number; readonly heightMm: number },
  { widthPx, heightPx }: { readonly widthPx: number; readonly heightPx: number },
): CameraFit {
  const middled = corners.map(({ x, y }): Point => ({ x: x - widthPx / 2, y: y - heightPx / 2 })) as unknown as Quad
  const toPhoto = perspective(rectangle(widthMm, heightMm), middled)
  if (!toPhoto) return { misfit: Infinity, tiltDeg: 90 }
  const fits = FOCALS.map(focal => fitAt(toPhoto, focal * Math.max(widthPx, heightPx)))
  return least(fits, each => each.misfit) ?? { misfit: Infinity, tiltDeg: 90 }
}

function fitAt([a, b, , d, e, , g, h]: Matrix3, focalPx: number): CameraFit {
  const [ax, ay, az] = [a / focalPx, d / focalPx, g]
  const [dx, dy, dz] = [b / focalPx, e / focalPx, h]
  const [across, down] = [Math.hypot(ax, ay, az), Math.hypot(dx, dy, dz)]
  const upright = [ay * dz - az * dy, az * dx - ax * dz, ax * dy - ay * dx] as const
  return {
    misfit: Math.hypot((ax * dx + ay * dy + az * dz) / (across * down), Math.log(across / down)),
    tiltDeg: (Math.acos(Math.min(1, Math.abs(upright[2]) / Math.hypot(...upright))) * 180) / Math.PI,
  }
}

/** @example rectangle(85.6, 53.98)[2] //=> { x: 85.6, y: 53.98 } */
export const rectangle = (width: number, height: number): Quad => [
  { x: 0, y: 0 },
  { x: width, y: 0 },
  { x: width, y: height },
  { x: 0, y: height },
]
