import { newId } from '~/db/newId'
import { type OwnLink, pairOf, phraseOf } from '#core/finding'
import type { YondercrestDb } from '../../database'
import { transact } from '../../transact'

export type LinkOutcome = { readonly ok: true; readonly id: string } | { readonly ok: false; readonly code: 'noWord' | 'oneWord' }

/** Says that two words or phrases go together, or never do. What was said of the same two before is said no more. */
export async function linkWords(db: YondercrestDb, { word, goesWith, isRuledOut }: OwnLink): Promise<LinkOutcome> {
  const [from, to] = [phraseOf(word), phraseOf(goesWith)]
  if (from === '' || to === '') return { ok: false, code: 'noWord' }
  if (from === to) return { ok: false, code: 'oneWord' }
  return transact(db, isRuledOut ? 'partWords' : 'linkWords', { name: `${word.trim()}, ${goesWith.trim()}` }, async desk => {
    const same = (await db.records('links').toArray()).filter(link => pairOf(link.word, link.goesWith) === pairOf(word, goesWith))
    const [{ id } = { id: newId() }, ...more] = same
    await desk.remove(
      'links',
      more.map(link => link.id),
    )
    await desk.put('links', [{ id, word: word.trim(), goesWith: goesWith.trim(), isRuledOut }])
    return { ok: true, id }
  })
}

/** What was said of two words is said no more. */
export async function forgetLink(db: YondercrestDb, id: string): Promise<void> {
  const link = await db.records('links').get(id)
  if (link) await transact(db, 'forgetLink', { name: `${link.word}, ${link.goesWith}` }, desk => desk.remove('links', [id]))
}
