import { XMLParser } from 'fast-xml-parser'
import { marked } from 'marked'
import { parse as parseHtml, type HTMLElement } from 'node-html-parser'
import type { TableRow } from './table.js'

/** Text of a cell: keys in their own tags stay apart from each other by what stands between them. */
const cellText = (cell: HTMLElement): string => {
  for (const br of cell.querySelectorAll('br')) br.replaceWith('\n')
  return cell.text
    .replace(/&nbsp;|\u00a0/g, ' ')
    .replace(/[ \t]+/g, ' ')
    .trim()
}

/** Every table of a page, and lists of terms with what they mean; the row's line is its number. */
export function htmlGrids(text: string): readonly (readonly TableRow[])[] {
  const page = parseHtml(text, { comment: false, blockTextElements: { script: false, style: false } })
  const tables = page.querySelectorAll('table').map((found) => {
    // a cell above that spans rows stands for the rows that it spans
    const over: { text: string; left: number }[] = []
    return found.querySelectorAll('tr').map((tr, i): TableRow => {
      const cells: string[] = []
      const take = (): void => {
        for (let span = over[cells.length]; span && span.left > 0; span = over[cells.length]) {
          span.left--
          cells.push(span.text)
        }
      }
      for (const cell of tr.querySelectorAll('td, th')) {
        take()
        const value = cellText(cell)
        const rows = Number(cell.getAttribute('rowspan') ?? 1) || 1
        const columns = Math.min(50, Number(cell.getAttribute('colspan') ?? 1) || 1)
        for (let c = 0; c < columns; c++) {
          if (rows > 1) over[cells.length] = { text: value, left: Math.min(rows - 1, 1000) }
          cells.push(c === 0 ? value : '')
        }
      }
      take()
      return { line: i + 1, cells }
    })
  })
  const lists = page.querySelectorAll('dl').map((list) =>
    list.querySelectorAll('dt').map((term, i): TableRow => {
      const meant = term.nextElementSibling
      return { line: i + 1, cells: [cellText(term), meant?.tagName === 'DD' ? cellText(meant) : ''] }
    }),
  )
  return [...tables, ...lists]
}

/** Every table of a Markdown text, by its own parser. */
export function markdownGrids(text: string): readonly (readonly TableRow[])[] {
  if (!/^\s*\|?[\s:|-]*-[\s:|-]*\|[\s:|-]*$/m.test(text)) return []
  const found: (readonly TableRow[])[] = []
  let line = 1
  for (const token of marked.lexer(text)) {
    if (token.type === 'table') {
      const at = line
      const rows = [token.header, ...token.rows] as readonly (readonly { readonly text: string }[])[]
      found.push(
        rows.map((cells, i) => ({
          // the line of signs under the heading is none of the table's
          line: at + (i === 0 ? 0 : i + 1),
          cells: cells.map((c) => c.text.replace(/\\([\\`*_{}[\]()#+\-.!|])/g, '$1')),
        })),
      )
    }
    line += (token.raw.match(/\n/g) ?? []).length
  }
  return found
}

/** An XML document as a tree of plain values: attributes by their names with @, text as #text. */
export function xmlTree(text: string): unknown {
  const parser = new XMLParser({
    ignoreAttributes: false,
    attributeNamePrefix: '@',
    parseTagValue: false,
    parseAttributeValue: false,
    trimValues: true,
    // entities of one's own could grow without end
    processEntities: { enabled: true, maxEntityCount: 0, maxTotalExpansions: 100_000 },
    stopNodes: ['script', 'style'],
  })
  return parser.parse(text) as unknown
}
