import AxeBuilder from '@axe-core/playwright'
import type { Page } from '@playwright/test'

const standards = ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa', 'best-practice']

/** What axe finds on the whole page or in one part of it: by all rules, or only by those of colour. */
export async function axeFinds(
  page: Page,
  { part = 'body', colours = false }: { part?: string; colours?: boolean } = {},
): Promise<string[]> {
  // what passes is not listed, which takes most of the time on long tables; there are no frames to look into
  const axe = new AxeBuilder({ page })
    .include(part)
    .options({ resultTypes: ['violations'] })
    .setLegacyMode()
  const { violations } = await (
    colours ? axe.withRules(['color-contrast']) : axe.withTags(standards)
  ).analyze()
  return violations.flatMap((v) =>
    v.nodes.map((n) => `${v.id}: ${n.target.join(' ')} ${n.failureSummary?.split('\n')[1] ?? ''}`),
  )
}

/** A sheet over the page: all that can be used while it is open. */
export const sheet = '[role=dialog]'
