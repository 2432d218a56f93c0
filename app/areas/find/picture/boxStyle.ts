import type { ShapeBox } from '#core/shapes'

/** Where a part of a picture lies over it; `aspect`: width of the picture by its height. */
export function boxStyle({ left, top, right, bottom }: ShapeBox, aspect: number): Readonly<Record<string, string>> {
  const across = (share: number): string => `${(100 * share) / Math.min(1, aspect)}%`
  const down = (share: number): string => `${100 * share * Math.max(1, aspect)}%`
  return { left: across(left), top: down(top), width: across(right - left), height: down(bottom - top) }
}
