import { spawnSync } from 'node:child_process'
import { readTable } from '#core/exchange'
import { ms, report } from './measure'

const MB = 1024 ** 2
const text = (length: number, of: string): string => of.repeat(Math.ceil(length / of.length)).slice(0, length)
/** Lists that nobody would keep, each as large as a list may be. */
const LISTS: Readonly<Record<string, () => string>> = {
  'a quote that is never closed': () => `Name,Notes\n"${text(63 * MB, 'low water ')}`,
  'commas alone': () => text(63 * MB, ','),
  'line ends alone': () => text(63 * MB, '\n'),
  'quotes alone': () => text(63 * MB, '"'),
  'twenty thousand letters in each cell of a row': () =>
    `${Array.from({ length: 14 }, (_, at) => `H${at}`).join()}\n${text(63 * MB, `${text(20_000, 'x')},`)}`,
  'rows as they should be': () => `Name,Brand,No.\n${text(63 * MB, 'Evening Limpets,Greywether,12\n')}`,
}

/** One list in a process of its own: what it takes at most, and for how long. */
function readOne(name: string): void {
  const bytes = new TextEncoder().encode(LISTS[name]?.() ?? '')
  const start = performance.now()
  const reading = readTable(bytes)
  const took = performance.now() - start
  const { maxRSS } = process.resourceUsage()
  console.log(JSON.stringify({ took, megabytes: maxRSS / 1024, told: reading.ok ? `${reading.table.rows.length} rows` : reading.code }))
}

export function listMemory(script: string): void {
  for (const name of Object.keys(LISTS)) {
    const run = spawnSync(process.execPath, [script, '--read-list', name], { encoding: 'utf8' })
    const { took, megabytes, told } = JSON.parse(run.stdout) as { took: number; megabytes: number; told: string }
    report(`a list of 63 MB: ${name}`, `${told}, ${ms(took)}, ${Math.round(megabytes)} MB`, 'at most 600 MB')
  }
}
if (process.argv[2] === '--read-list') {
  readOne(process.argv[3] ?? '')
  process.exit(0)
}
