import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { expect, test } from '@jest/globals'

const rows = readFileSync('docs/glossary.md', 'utf8')
  .split('\n')
  .filter(line => line.startsWith('| ') && !line.startsWith('| in code'))
  .map(line => line.split('|').map(cell => cell.trim()))
const files = ['core', 'app'].flatMap(folder =>
  readdirSync(folder, { recursive: true, encoding: 'utf8' }).flatMap(file => (/\.(ts|vue)$/.test(file) ? [join(folder, file)] : [])),
)
const words = new Set(files.flatMap(file => readFileSync(file, 'utf8').match(/\w+/g) ?? []))

test('every name of the glossary is in the code, and none stands in it twice', () => {
  const names = rows.flatMap(([, inCode = '']) => [...inCode.matchAll(/`(\w+)`/g)].map(([, name = '']) => name))
  expect(names.length).toBeGreaterThan(20)
  expect(names.filter(name => !words.has(name))).toEqual([])
  expect(names.filter((name, at) => names.indexOf(name) !== at)).toEqual([])
})
