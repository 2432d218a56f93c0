/** A word of the craft and its short forms. */
export interface ShortWord {
  readonly long: string
  /** The written short form; null: it is not shortened on paper. */
  readonly written: string | null
  /** Short forms in lists and asks. */
  readonly said: readonly string[]
}
const of = (long: string, written: string | null, ...said: readonly string[]): ShortWord => ({ long, written, said })

/** Common practice. Written ones are in the order in which a text is shortened: the largest gain first. */
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
