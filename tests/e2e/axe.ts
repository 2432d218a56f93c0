import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import type { Page } from '@playwright/test'
import { settled } from '../support/geometry'
import { expect } from './helpers'

const axe = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8')
interface Finding {
  id: string
  impact: string | null
  nodes: { html: string }[]
}

/** By day all of WCAG 2.2, A and AA. By night the page is the same in other colours: the rules that look at them. */
const RULES = {
  light: ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa'],
  dark: { type: 'rule', values: ['color-contrast', 'link-in-text-block'] },
} as const

/** axe-core by day and by night: no finding but minor ones. The page stays as it is, and its colours change. */
export async function findsNothing(page: Page): Promise<void> {
  await page.evaluate(axe)
  for (const colorScheme of ['dark', 'light'] as const) {
    await page.emulateMedia({ colorScheme })
    await settled(page)
    const findings = await page.evaluate(async runOnly => {
      const engine = (globalThis as unknown as { axe: { run: (options: object) => Promise<{ violations: Finding[] }> } }).axe
      return (await engine.run({ runOnly })).violations
    }, RULES[colorScheme])
    expect(
      findings
        .filter(each => each.impact !== 'minor')
        .map(each => `${page.url()}, ${colorScheme}: ${each.id}: ${each.nodes.map(node => node.html.slice(0, 160)).join(' | ')}`),
    ).toEqual([])
  }
}
