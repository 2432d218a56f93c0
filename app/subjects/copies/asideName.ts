import type { SetAside } from '#core/catalog'

/**
 * What a record that is set aside was called, as far as it still says.
 * @example nameIn({ from: 'holdings', text: '{"number":12,"name":"Kelp Study"}' }) //=> '12 Kelp Study'
 */
export function nameIn({ text }: Pick<SetAside, 'from' | 'text'>): string {
  try {
    const record = JSON.parse(text) as Readonly<Record<string, unknown>> | null
    const said = [record?.number, record?.name ?? record?.title ?? record?.word ?? record?.code ?? record?.label]
    return said.filter(each => typeof each === 'string' || typeof each === 'number').join(' ')
  } catch {
    return ''
  }
}
