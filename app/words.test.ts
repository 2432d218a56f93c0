import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { describe, expect, test } from '@jest/globals'
import {
  createSourceFile,
  forEachChild,
  isBinaryExpression,
  isImportDeclaration,
  isPropertyAssignment,
  isStringLiteralLike,
  isTemplateMiddleOrTemplateTail,
  isTypeNode,
  type LiteralLikeNode,
  type Node,
  ScriptTarget,
  SyntaxKind,
} from 'typescript'
import { FIT_WAYS, type Fixture, PLAIN_FIXTURE } from '#core/catalog'
import type { Outlook } from '#core/capacity'
import type { RefilingProposal } from '#core/refiling'
import type { Placement } from '#core/room'
import { STEPS } from '~/db/commands/steps'
import type { CommandName } from '~/db/commands/steps'
import type { JournalEntry } from '~/db/journal'
import { holderWords } from '~/subjects/fit/words'
import { refileWords } from '~/areas/storeroom/refile/words'
import { waysWords } from '~/areas/storeroom/ways/words'
import { measureWords } from '~/areas/takeIn/measure/words'
import { takeInWords } from '~/subjects/pile/takeInWords'
import { containerWay, placeSentence, placeWords } from '~/data/words'
import { counted, ordinal } from '#core/grammar'
import { stepWords } from '~/shell/steps'
import { roomWords } from '~/subjects/room/roomWords'

const inches = (mm: number): string => `${Math.round((mm / 25.4) * 16) / 16} in`
/** What no sentence may hold: holes, and words of software. */
function isPlain(sentence: string): void {
  expect(sentence.trim()).not.toBe('')
  expect(sentence).not.toMatch(/undefined|NaN|null|\[object|Infinity|\$\{|error|exception|invalid|constraint/i)
}

/** Terms of the code, and wordings that were given up: people say something else (product.md). */
const GIVEN_UP = new RegExp(
  [
    String.raw`\b(zones?|holders?|lanes?|strips?|reserves?|armfuls?|parted|captured?|classed|classing|successor|authority|capacity)\b`,
    'short form|second key|stand-in camera|one film|figures at least|number on it already|came in on|also written|taken over by',
    'let it go|gone sticky|keep apart|read back|steps so far|some minutes|how i work|files it',
    'headings of a school|write anew|holders? to lift',
    'just so|loosely|on the slant|laid out anew|will not close',
  ].join('|'),
  'i',
)

/** Every text in quotes of a file of words: what may come on the screen. */
function textsOf(file: string): readonly string[] {
  const texts: string[] = []
  const visit = (node: Node): void => {
    if (isImportDeclaration(node) || isTypeNode(node)) return
    // Names of properties and values that are compared with are code, not text.
    const isCode = (isPropertyAssignment(node.parent) && node.parent.name === node) || isBinaryExpression(node.parent)
    if ((isStringLiteralLike(node) || isTemplateMiddleOrTemplateTail(node) || node.kind === SyntaxKind.TemplateHead) && !isCode)
      texts.push((node as LiteralLikeNode).text)
    forEachChild(node, visit)
  }
  forEachChild(createSourceFile(file, readFileSync(file, 'utf8'), ScriptTarget.Latest, true), visit)
  return texts
}

describe('sentences', () => {
  test('people of 12 and of 85 understand them: no message holds a term of the code, or one that was given up', () => {
    const files = readdirSync('app', { recursive: true, encoding: 'utf8' }).filter(file => /([wW]ords|steps)\.ts$/.test(file))
    const texts = files.flatMap(file => textsOf(join('app', file)).map(text => ({ file, text })))
    expect(texts.length).toBeGreaterThan(900)
    expect(texts.filter(({ text }) => GIVEN_UP.test(text))).toEqual([])
  })
  test('the place, as it is carried to the shelf', () => {
    const fixture: Fixture = { id: 'f', name: 'Bookcase', type: 'bookcase', shelves: 4, rank: 0, ...PLAIN_FIXTURE }
    const placement = {
      container: { name: 'Bin 4', shelf: 2, lanes: 1, cells: null },
      lane: 1,
      section: { title: 'Tide pools' },
      positionInSection: 11,
      sectionCount: 31,
      cell: null,
    } as unknown as Placement
    expect(placeSentence(placement, containerWay(fixture, placement.container, 'top'), '88 Kelp Study', '131 Limpets')).toBe(
      'Bookcase, shelf 2, bin 4, tab Tide pools, 11th of 31, between 88 Kelp Study and 131 Limpets',
    )
    expect(placeSentence({ ...placement, section: null }, 'Bookcase', null, '131 Limpets')).toContain('in front of 131 Limpets')
    const said = (name: string): string =>
      placeSentence(placement, containerWay({ ...fixture, name }, placement.container, 'top'), null, null)
    // Counted from the floor, the second from the top of so many is called otherwise.
    expect(containerWay({ ...fixture, shelves: 5 }, placement.container, 'floor')).toBe('Bookcase, shelf 4, bin 4')
    expect([said('Shelf'), said('Bin 4')]).toEqual([
      'Shelf 2, bin 4, tab Tide pools, 11th of 31',
      'Bin 4, shelf 2, tab Tide pools, 11th of 31',
    ])
    expect(placeWords.halves('Bookcase, bin 4', 'B4-12')).toContain('the other half stands at B4-12')
  })
  test.each([
    [1, '1st'],
    [2, '2nd'],
    [3, '3rd'],
    [4, '4th'],
    [11, '11th'],
    [12, '12th'],
    [13, '13th'],
    [21, '21st'],
    [112, '112th'],
    [1003, '1,003rd'],
  ])('%i is the %s', (count, text) => {
    expect(ordinal(count).replace(',', '')).toBe(text.replace(',', ''))
  })
  test('one is one and two are more', () => {
    expect([counted(1, 'set'), counted(2, 'set'), counted(0, 'set')]).toEqual(['1 set', '2 sets', '0 sets'])
  })
  test('every step that can be undone says what it was', () => {
    for (const command of Object.keys(STEPS) as CommandName[]) {
      const step: JournalEntry = {
        seq: 1,
        at: '2026-11-01T00:00:00.000Z',
        command,
        subject: { name: 'Kelp Study', number: 12, count: 3 },
        state: 'done',
        tables: [],
        swings: 0,
      }
      isPlain(stepWords.what(step))
      isPlain(stepWords.undone(step))
      isPlain(stepWords.what({ ...step, subject: {} }))
    }
  })
  test('every way to fit has a name and says what it means', () => {
    const answer = {
      opening: { widthMm: 120, heightMm: 170 },
      lies: { widthMm: 100, heightMm: 150 },
      angleDeg: 41,
      spareWidthMm: 20,
      spareHeightMm: 20,
      isIrreversible: false,
      holders: 1,
      trimWidthMm: 3,
      trimHeightMm: 0,
      sticksOutMm: 9,
      laid: [],
    }
    for (const way of FIT_WAYS) {
      isPlain(holderWords.way[way])
      isPlain(holderWords.answer({ ...answer, way }, inches))
    }
    for (const code of ['tooWide', 'tooTall', 'tooThick'] as const)
      expect(holderWords.whyNot({ code, needMm: 152.4, haveMm: 127 }, inches)).toMatch(/it needs 6 in, there is room for 5 in/)
  })
  test('every reason for which a photo is not measured is a sentence that says what to do', () => {
    for (const sentence of [...Object.values(measureWords.faults), ...Object.values(measureWords.photoProblems)]) {
      isPlain(sentence)
      expect(sentence).toMatch(/[.?]$/)
    }
  })
  test('every reason for which a re-filing cannot be, with what it needs', () => {
    type Problem = Extract<RefilingProposal, { ok: false }>['problem']
    const problems: Problem[] = [
      { ok: false, code: 'tooLong', needMm: 600, haveMm: 480 },
      { ok: false, code: 'itemTooLong', index: 3, needMm: 60, haveMm: 40 },
      { ok: false, code: 'laneTooShort', lane: 'c/1', needMm: 60, haveMm: 40 },
      { ok: false, code: 'tableTooSmall', needMm: 60, haveMm: 40 },
      { ok: false, code: 'noLane' },
      { ok: false, code: 'nothingToFile' },
    ]
    const sentences = problems.map(problem => refileWords.problem(problem, inches, 'Bin 4'))
    sentences.forEach(isPlain)
    expect(new Set(sentences).size).toBe(problems.length)
    expect(sentences[0]).toContain('23.625 in')
    for (const why of ['betweenGroups', 'betweenSubgroups', 'groupTooLong', 'insideGroup'] as const)
      isPlain(refileWords.why({ bin: 1, start: 4, why, group: 'a', usedMm: 100, freeMm: 20 }, 'Bin 2', inches))
  })
  test('how full, in every state, and for how long', () => {
    const outlook: Outlook = {
      usedMm: 90,
      lengthMm: 100,
      freeMm: 10,
      reserveMm: 5,
      spareMm: 5,
      overMm: 0,
      yearlyMm: 4,
      yearsLeft: 2.5,
      state: 'room',
    }
    const said = [
      outlook,
      { ...outlook, spareMm: -3, state: 'reserve' as const },
      { ...outlook, freeMm: 1, state: 'full' as const },
      { ...outlook, overMm: 12, state: 'over' as const },
    ].map(each => roomWords.outlook(each, inches))
    said.forEach(isPlain)
    expect(new Set(said).size).toBe(4)
    for (const yearsLeft of [null, 0, 0.05, 0.5, 2, 40]) isPlain(roomWords.lastsFor({ ...outlook, yearsLeft }))
    expect(roomWords.cap(12, 10)).toContain('2 more than the 10')
  })
  test('what can go wrong in the room is a sentence', () => {
    const outcomes = [
      { ok: false, code: 'addressTaken', by: 'Bin 1', address: 'B1-1' },
      { ok: false, code: 'notEmpty', count: 3 },
      { ok: false, code: 'cellsRunOut', free: 2, needed: 5 },
      { ok: false, code: 'gone' },
    ] as const
    const said = outcomes.map(outcome => roomWords.outcome(outcome))
    said.forEach(isPlain)
    expect(said[2]).toContain('only 2 free cells for 5 sets')
    for (const sentence of Object.values(roomWords.moveProblem)) isPlain(sentence)
    for (const sentence of Object.values(placeWords.problems)) isPlain(sentence)
    for (const [code, sentence] of Object.entries(takeInWords.sizeProblem)) if (code !== 'empty') isPlain(sentence)
  })
  test('the comparison of ways names both winners', () => {
    expect(waysWords.reading('By number', 40.4, 'By theme', 235.2)).toBe(
      'With the index this costs least: “By number”, about 40 minutes a year. Without it: “By theme”, about 235.',
    )
  })
})
