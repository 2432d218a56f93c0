import { spawnSync } from 'node:child_process'
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { beforeAll, expect, test } from '@jest/globals'

/** The rules of the house, each with an offence that it must find and a neighbour that it must leave alone. */
const OFFENCES: readonly (readonly [offence: string, rule: string, file: string, code: string, isFound: boolean])[] = [
  [
    'core that asks for Vue',
    'no-restricted-imports',
    'core/units/planted.ts',
    `import { ref } from 'vue'\nexport const a = ref(1)\n`,
    true,
  ],
  ['core that asks for node', 'no-restricted-imports', 'core/units/planted.ts', `import fs from 'node:fs'\nexport const a = fs\n`, true],
  ['core that reads the window', 'no-restricted-globals', 'core/units/planted.ts', `export const a = window.innerWidth\n`, true],
  [
    'a condition in a condition',
    'no-nested-ternary',
    'core/units/planted.ts',
    `export const a = (n: number): number => (n > 1 ? 1 : n > 0 ? 2 : 3)\n`,
    true,
  ],
  [
    'two that are waited for in one list',
    'no-restricted-syntax',
    'app/db/planted.ts',
    `export const a = async (x: Promise<1>): Promise<number> => {\n  const [b, c] = [await x, await x]\n  return b + c\n}\n`,
    true,
  ],
  ['core that asks for core', 'no-restricted-imports', 'core/units/planted.ts', `export { readSize } from './parse'\n`, false],
  [
    'a screen that opens the database',
    '@typescript-eslint/no-restricted-imports',
    'app/areas/find/planted.ts',
    `export { database } from '~/db'\n`,
    true,
  ],
  [
    'a screen that imports it under a name',
    '@typescript-eslint/no-restricted-imports',
    'app/shell/planted.ts',
    `import { database as d } from '~/db'\nexport const a = d\n`,
    true,
  ],
  [
    'a screen that writes by itself',
    '@typescript-eslint/no-restricted-imports',
    'app/kit/planted.ts',
    `export { transact } from '~/db'\n`,
    true,
  ],
  [
    'a screen that calls a command',
    '@typescript-eslint/no-restricted-imports',
    'app/kit/planted.ts',
    `export { takeIn } from '~/db/commands'\n`,
    true,
  ],
  [
    'a screen that asks for a type',
    '@typescript-eslint/no-restricted-imports',
    'app/shell/planted.ts',
    `export type { JournalEntry } from '~/db'\n`,
    false,
  ],
  [
    'a screen that asks how a command ends',
    '@typescript-eslint/no-restricted-imports',
    'app/kit/planted.ts',
    `export type { NameOutcome } from '~/db/commands'\n`,
    false,
  ],
  [
    'a worker that opens the database',
    '@typescript-eslint/no-restricted-imports',
    'app/areas/find/planted.worker.ts',
    `export { database } from '~/db'\n`,
    false,
  ],
  [
    'the interface that asks for the demo',
    '@typescript-eslint/no-restricted-imports',
    'app/data/planted.ts',
    `export { takePhoto } from '#demo/camera'\n`,
    true,
  ],
  ...(
    [
      ['an area that asks for another', 'app/areas/find/planted.ts', '~/areas/index/labels/words', true],
      ['an area that asks for the shell', 'app/areas/find/planted.ts', '~/shell/words', true],
      ['an area that asks by a path through the house', 'app/areas/find/ask/planted.ts', '../../index/labels/words', true],
      ['an area that asks for its own', 'app/areas/find/planted.ts', '~/areas/find/mat/words', false],
      ['an area that asks for a subject', 'app/areas/find/planted.ts', '~/subjects/set/words', false],
      ['the shell that asks for an area', 'app/shell/planted.ts', '~/areas/find/mat/words', true],
      ['the shell that reads the list of areas', 'app/shell/planted.ts', '~/areas', false],
      ['a subject that asks for an area', 'app/subjects/set/planted.ts', '~/areas/find/mat/words', true],
      ['a subject that asks for the shell', 'app/subjects/set/planted.ts', '~/shell/words', true],
      ['a worker of a subject that asks for an area', 'app/subjects/set/planted.worker.ts', '~/areas/find/mat/words', true],
      ['the kit that asks for what is in memory', 'app/kit/planted.ts', '~/data/useCatalogue', true],
      ['the kit that asks for core', 'app/kit/planted.ts', '#core/units', false],
      ['what is in memory that asks for the kit', 'app/data/planted.ts', '~/kit/plainly', true],
      ['the database that asks for what is in memory', 'app/db/commands/planted.ts', '~/data/words', true],
    ] as const
  ).map(
    ([offence, file, from, isFound]) =>
      [offence, 'no-restricted-imports', file, `import { a } from '${from}'\nexport const b = a\n`, isFound] as const,
  ),
  ['an inch of its own', 'no-restricted-syntax', 'core/room/planted.ts', `export const a = 25.4 / 8\n`, true],
  ['a point of its own', 'no-restricted-syntax', 'app/kit/planted.ts', `export const a = (b: number) => b / 72\n`, true],
  [
    'a pixel of its own',
    'no-restricted-syntax',
    'app/kit/Planted.vue',
    `<script setup lang="ts">\nconst a = (b: number) => 96 * b\nvoid a\n</script>\n<template><p /></template>\n`,
    true,
  ],
  ['the one inch', 'no-restricted-syntax', 'core/units/length.ts', `export const a = 25.4\n`, false],
  ['a count of 72', 'no-restricted-syntax', 'core/room/planted.ts', `export const a = [72, 96]\n`, false],
  ['text that becomes HTML', 'vue/no-v-html', 'app/kit/Planted.vue', `<template><p v-html="text" /></template>\n`, true],
  ['a line too long', 'max-len', 'app/kit/planted.ts', `export const a = '${'x'.repeat(140)}'\n`, true],
  [
    'a check that is silenced for nothing',
    'unused',
    'app/kit/planted.ts',
    `// eslint-disable-next-line no-console\nexport const a = 1\n`,
    true,
  ],
  ['what is written to the console', 'no-console', 'app/kit/planted.ts', `console.log(1)\n`, true],
  ['any', '@typescript-eslint/no-explicit-any', 'core/units/planted.ts', `export const a = (b: any) => b as string\n`, true],
]

/** All of them in one run of the linter. */
const SCRIPT = `
import { ESLint } from 'eslint'
const told = []
for (const [, , file, code] of JSON.parse(process.argv[1])) {
  const [result] = await new ESLint().lintText(code, { filePath: file })
  told.push(result.messages.map(({ ruleId, message }) => ruleId ?? (message.startsWith('Unused') ? 'unused' : message)))
}
console.log(JSON.stringify(told))
`
let told: readonly (readonly string[])[] = []
beforeAll(() => {
  const run = spawnSync(process.execPath, ['--input-type=module', '-e', SCRIPT, JSON.stringify(OFFENCES)], { encoding: 'utf8' })
  told = JSON.parse(run.stdout) as string[][]
})

test.each(OFFENCES.map((each, at) => [...each, at] as const))('%s', (_offence, rule, _file, _code, isFound, at) => {
  expect(told[at]?.includes(rule)).toBe(isFound)
})

/** What lies in a house of its own, with the circles that are found there. */
function circlesIn(files: Readonly<Record<string, string>>): number {
  const house = mkdtempSync(join(tmpdir(), 'yondercrest-house-'))
  try {
    for (const [name, text] of Object.entries(files)) writeFileSync(join(house, name), text)
    const rules = ['-c', join(process.cwd(), '.oxlintrc.json'), '--tsconfig', join(house, 'tsconfig.json')]
    const run = spawnSync(process.execPath, [join(process.cwd(), 'node_modules/oxlint/bin/oxlint'), ...rules, '--format', 'json'], {
      cwd: house,
      encoding: 'utf8',
    })
    return (JSON.parse(run.stdout) as { diagnostics: readonly { code: string }[] }).diagnostics.filter(each =>
      each.code.includes('no-cycle'),
    ).length
  } finally {
    rmSync(house, { recursive: true })
  }
}
const PATHS = JSON.stringify({ compilerOptions: { paths: { '~/*': ['./*'] } } })

test('a circle of files, also through a page, a short path or a type alone; a line of files is none', () => {
  const begins = `import Page from './Page.vue'\nexport const a = () => Page\n`
  const page = (line: string) => `<script setup lang="ts">\n${line}\n</script>\n<template><p /></template>\n`
  expect(circlesIn({ 'tsconfig.json': PATHS, 'a.ts': begins, 'Page.vue': page(`import { a } from '~/a'\na()`) })).toBe(2)
  const ofTypes = page(`import type { a } from '~/a'\ndefineProps<{ b: typeof a }>()`)
  expect(circlesIn({ 'tsconfig.json': PATHS, 'a.ts': begins, 'Page.vue': ofTypes })).toBe(2)
  expect(circlesIn({ 'tsconfig.json': PATHS, 'a.ts': begins, 'Page.vue': page(`const b = 1\nvoid b`) })).toBe(0)
})
