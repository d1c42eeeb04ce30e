/** Active hours in a week and month of work, by days. Assumed: five days, four weeks. */
const daysOf = { week: 5, month: 20 } as const

const words: readonly [RegExp, (n: number, hours: number) => number][] = [
  [/^(?:\/|per|an?|each|every)?\s*(?:s|sec|second)s?$/, (n) => n * 3600],
  [/^(?:\/|per|an?|each|every)?\s*(?:m|min|minute)s?$/, (n) => n * 60],
  [/^(?:\/|per|an?|each|every)?\s*(?:h|hr|hour|std|stunde|heure|hora|ora|uur)s?$/, (n) => n],
  [/^(?:\/|per|an?|each|every)?\s*(?:d|day|tag|jour|día|dia|giorno|dag)s?$/, (n, hours) => n / hours],
  [
    /^(?:\/|per|an?|each|every)?\s*(?:w|wk|week|woche|semaine|semana)s?$/,
    (n, hours) => n / (hours * daysOf.week),
  ],
  [/^(?:\/|per|an?|each|every)?\s*(?:mo|month|monat|mois|mes)s?$/, (n, hours) => n / (hours * daysOf.month)],
]
const alone: readonly [RegExp, (hours: number) => number][] = [
  [/^hourly$|^stündlich$/i, () => 1],
  [/^daily$|^täglich$/i, (hours) => 1 / hours],
  [/^weekly$|^wöchentlich$/i, (hours) => 1 / (hours * daysOf.week)],
  [/^monthly$|^monatlich$/i, (hours) => 1 / (hours * daysOf.month)],
  [/^never$|^nie$/i, () => 0],
]

/**
 * How often in words or figures, as uses an active hour: `12`, `300 a day`, `300/d`, `5 an hour`, `daily`, `1,200`.
 * @param hoursPerDay  active hours of a day, for rates that are a day
 * @param bare  what a figure without a unit is a rate of
 * @returns null for what is no rate
 */
export function readRate(text: string, hoursPerDay: number, bare: 'hour' | 'day' = 'hour'): number | null {
  const small = text.trim().toLowerCase().replace(/\s+/g, ' ')
  for (const [pattern, uses] of alone) if (pattern.test(small)) return rounded(uses(hoursPerDay))
  const found = /^(?:~|about |ca\.? )?(\d[\d.,' ]*)\s*(?:x|times|×|uses?|mal|fois)?\s*(.*)$/.exec(small)
  if (!found) return null
  const value = numberOf(found[1] as string)
  if (value === null) return null
  const unit = (found[2] as string).replace(/^\/\s*/, '/').replace(/[.)]$/, '')
  if (unit === '') return rounded(bare === 'hour' ? value : value / hoursPerDay)
  for (const [pattern, uses] of words) if (pattern.test(unit)) return rounded(uses(value, hoursPerDay))
  return null
}

/** A rate that a plan can hold; null where it is none. */
const rounded = (rate: number): number | null =>
  Number.isFinite(rate) && rate >= 0 && rate <= 100_000 ? Math.round(rate * 1000) / 1000 : null

/** A figure with points or commas: the last one parts decimals, unless three digits follow it and nothing tells it apart. */
function numberOf(text: string): number | null {
  const figure = text.trim().replace(/[' ]/g, '')
  if (/^\d{1,3}([.,])\d{3}(?:\1\d{3})*$/.test(figure)) return Number(figure.replace(/[.,]/g, ''))
  const plain = figure.replace(/[.,](?=.*[.,])/g, '').replace(',', '.')
  return /^\d+(?:\.\d*)?$/.test(plain) ? Number(plain) : null
}
