import type { Holding, Kind, Series } from '#core/catalog'

/** A number as it is written on labels: the figure large, the suffix small beside it. */
export interface Code {
  readonly figure: string
  readonly suffix: string
}

/**
 * Common practice: the suffix says where to look (352 W is a block in its drawer), the number alone says which set.
 * @example writeCode({ prefix: '', padding: 0, suffixBy: 'kind' }, 352, { suffix: 'W' }) //=> { figure: '352', suffix: 'W' }
 */
export function writeCode(
  series: Pick<Series, 'prefix' | 'padding' | 'suffixBy'>,
  number: number,
  kind: Pick<Kind, 'suffix'> | null,
): Code {
  const figure = series.prefix + String(number).padStart(series.padding, '0')
  return { figure, suffix: series.suffixBy === 'kind' ? (kind?.suffix ?? '') : '' }
}

/** The code of a set; its bare number where its series is not known. */
export function codeOf(
  { seriesId, number, kindId }: Pick<Holding, 'seriesId' | 'number' | 'kindId'>,
  { series, kinds }: { readonly series: ReadonlyMap<string, Series>; readonly kinds: ReadonlyMap<string, Kind> },
): Code {
  const own = series.get(seriesId)
  return own ? writeCode(own, number, kinds.get(kindId ?? '') ?? null) : { figure: String(number), suffix: '' }
}

/** @example codeText({ figure: '352', suffix: 'W' }) //=> '352 W' */
export function codeText(code: Code): string {
  return code.suffix ? `${code.figure} ${code.suffix}` : code.figure
}

/**
 * A bare running number as written in a list or on a thing: figures only, no address, no fraction.
 * @example readBareNumber('#0352') //=> 352
 */
export function readBareNumber(text: string): number | null {
  const match = /^\s*(?:#|no\.?|nr\.?)?\s*(\d{1,7})\s*$/i.exec(text)
  const number = match ? Number(match[1]) : 0
  return number > 0 ? number : null
}
