import { plainFigure } from '#core/grammar'

/** Plural endings and their singular endings: the noun rules of WordNet's morphology (morphy(7WN)), and two more. */
const PLURALS: readonly (readonly [ending: RegExp, singular: string])[] = [
  [/ses$/, 's'],
  [/xes$/, 'x'],
  [/zes$/, 'z'],
  [/ches$/, 'ch'],
  [/shes$/, 'sh'],
  [/men$/, 'man'],
  [/ies$/, 'y'],
  [/ves$/, 'f'],
  [/oes$/, 'o'],
  [/s$/, ''],
]
/** Words that look like plurals but are none. */
const NO_PLURALS = new Set('news yes his its this was has as us gas bus plus always across perhaps'.split(' '))

/**
 * The possible singulars of a word by its ending, whether these words exist or not.
 * @example singularsByRule('foxes') //=> ['fox', 'foxe']
 */
export function singularsByRule(word: string): readonly string[] {
  if (NO_PLURALS.has(word) || word.endsWith('ss')) return []
  return PLURALS.flatMap(([ending, singular]) => {
    const found = ending.test(word) ? word.replace(ending, singular) : ''
    return found.length > 1 ? [found] : []
  })
}

/** British endings and their American ones: both spell the same word. Common practice. */
const SPELLINGS: readonly (readonly [from: RegExp, to: string])[] = [
  [/^(?=.{5})(.*)our(?=$|s$|ed$|er|ful|ing|able|hood|ite|less|y$)/, '$1or'],
  [/^(?=.{6})(.*)is(?=e$|es$|ed$|er|ing$|ation)/, '$1iz'],
  [/([bt])re(?=s?$)/, '$1er'],
  [/ogue(?=s?$)/, 'og'],
  [/ll(?=ed$|ing$|er$|ers$|ery$)/, 'l'],
]
/** Pairs that follow no rule, British first. From memory. */
const PAIRS = (
  'grey:gray jewellery:jewelry mould:mold moulds:molds plough:plow pyjamas:pajamas moustache:mustache doughnut:donut doughnuts:donuts ' +
  'aluminium:aluminum cosy:cozy programme:program programmes:programs licence:license yoghurt:yogurt axe:ax tyre:tire storey:story ' +
  'aeroplane:airplane sulphur:sulfur woollen:woolen wagon:waggon'
).split(' ')
const FIGURES = (
  'zero one two three four five six seven eight nine ten eleven twelve thirteen fourteen fifteen sixteen seventeen ' +
  'eighteen nineteen twenty'
).split(' ')
const ORDINALS = (
  'first second third fourth fifth sixth seventh eighth ninth tenth eleventh twelfth thirteenth fourteenth fifteenth sixteenth ' +
  'seventeenth eighteenth nineteenth twentieth'
).split(' ')
const ordinalEnd = (figure: number): string => (figure > 3 && figure < 21 ? 'th' : (['th', 'st', 'nd', 'rd'][figure % 10] ?? 'th'))
/** Each word, and the word that stands for all its spellings. */
const STANDS_FOR: ReadonlyMap<string, string> = new Map([
  ...PAIRS.map(pair => pair.split(':') as [string, string]),
  ...FIGURES.map((word, at) => [word, String(at)] as const),
  ...ORDINALS.map((word, at) => [word, `${at + 1}${ordinalEnd(at + 1)}`] as const),
])
/** Larger figures are numbers of things, and no words. */
const LARGEST_FIGURE = 100

/**
 * Forms of words: two words are forms of one another if they share a key. Singular and plural, two spellings of one word, figures and
 * their words. `plurals`: irregular plurals with their singular.
 * @example new WordForms(new Map([['mice', 'mouse']])).keysOf('mice') //=> ['mice', 'mouse']
 */
export class WordForms {
  constructor(private readonly plurals: ReadonlyMap<string, string> = new Map()) {}

  /** Reads the list that `scripts/lexicon.mjs` writes: a plural and its singular on each line. */
  static read(text: string): WordForms {
    const lines = text.split('\n').filter(line => line !== '' && !line.startsWith('#'))
    return new WordForms(new Map(lines.map(line => line.split(' ') as [string, string])))
  }

  /** The keys of a word in plain letters or figures, itself included. O(length). */
  keysOf(word: string): readonly string[] {
    if (/^\d/.test(word)) {
      const bare = plainFigure(word)
      return bare === word && Number(word) > LARGEST_FIGURE ? [] : [bare]
    }
    const irregular = this.plurals.get(word)
    const forms = [word, ...(irregular === undefined ? singularsByRule(word) : [irregular])]
    return [...new Set(forms.flatMap(form => [form, spelling(form)]))]
  }
}

function spelling(word: string): string {
  const pair = STANDS_FOR.get(word)
  return pair ?? SPELLINGS.reduce((spelt, [from, to]) => spelt.replace(from, to), word)
}
