import { execFileSync } from 'node:child_process'
import { mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'

/** A file of the lexicon, made anew in a folder of its own: what the application serves may be written in the same moment. */
export function madeAnew(name: 'lexicon.txt' | 'plurals.txt'): string {
  const folder = mkdtempSync(join(tmpdir(), 'yondercrest-lexicon-'))
  try {
    execFileSync(process.execPath, ['scripts/lexicon.mjs', folder])
    return readFileSync(join(folder, name), 'utf8')
  } finally {
    rmSync(folder, { recursive: true })
  }
}
