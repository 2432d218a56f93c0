/** A word of the craft and its short forms. */
export interface ShortWord {
  readonly long: string
  /** As it is written where there is little room; null: it is not shortened on paper. */
  readonly written: string | null
  /** As it stands in lists and is asked for. */
  readonly said: readonly string[]
}
const of = (long: string, written: string | null, ...said: readonly string[]): ShortWord => ({ long, written, said })

/** Common practice. Those that are written stand in the order in which a text is shortened: what gains most comes first. */
export const SHORT_WORDS: readonly ShortWord[] = [
  of('congratulations', 'congrats', 'congrats'),
  of('anniversary', 'anniv.', 'anniv'),
  of('backgrounds', 'bkgds', 'bgs'),
  of('background', 'bkgd', 'bkgd', 'bg'),
  of('sentiments', 'sents'),
  of('sentiment', 'sent.'),
  of('alphabets', 'abcs'),
  of('alphabet', 'abc', 'abc'),
  of('assorted', 'asst.', 'asst'),
  of('birthdays', 'bdays'),
  of('birthday', 'bday', 'bday', 'b day'),
  of('christmas', 'xmas', 'xmas'),
  of('collection', 'coll.'),
  of('thank you', 'thx', 'thx', 'ty', 'thanks'),
  of('numbers', 'nos'),
  of('small', 'sm.'),
  of('large', 'lg.'),
  of('mother', null, 'mum', 'mom'),
  of('father', null, 'dad'),
  of('grandmother', null, 'gran', 'grandma'),
  of('grandfather', null, 'grandad'),
  of('happy birthday', null, 'hbd'),
  of('thanks', null, 'thx'),
  of('graduation', null, 'grad'),
  of('valentine', null, 'val'),
  of('invitation', null, 'rsvp', 'invite'),
  of('holidays', null, 'hols'),
  of('pictures', null, 'pics'),
]
