import { checkPrint, facesZip, documentFile, leastStrokeDots, type FileForm, zipOf } from '@reach-plot/print'
import { listHtml, listMarkdown, type Label } from '@reach-plot/core/labels'
import { mediaOf } from '@reach-plot/core/drawing'
import { loadPlan, usageError, writeOther, writeOut } from '../io.js'
import { defineVerb, number, text, yesNo } from '../verb.js'
import { listOf, sheetOf, sheetOptions, type MadeSheet } from '../sheet.js'

const endings = ['pdf', 'svg', 'png', 'pwg', 'zip', 'md', 'html'] as const

/** A sheet in any form; what cannot be read and strokes too thin to print are findings. */
export const verb = defineVerb({
  name: 'labels',
  summary: 'labels and other sheets as a file',
  files: 'PLAN.json',
  options: {
    ...sheetOptions,
    out: text('FILE.pdf|.svg|.png|.pwg|.zip|.md|.html', 'the file to write'),
    bits: yesNo('one bit a dot, for png'),
    px: number(16, 2048, 'pictures of so many pixels a side'),
  },
  async run({ files, options }) {
    const plan = loadPlan(files[0])
    const out = options.out
    if (out === undefined) throw usageError('--out is missing', 'name the file to write')
    const ending = endings.find((e) => out.toLowerCase().endsWith(`.${e}`))
    if (!ending)
      throw usageError(`"${out.slice(0, 80)}" cannot be written`, `end its name with .${endings.join(', .')}`)
    if (ending === 'md' || ending === 'html') {
      if (options.kind !== 'list')
        throw usageError(`only a list is written as .${ending}`, 'add --kind list, or end the name with .pdf')
      const list = listOf(plan, options)
      writeOut(out, ending === 'md' ? listMarkdown(list) : listHtml(list))
      const entries = list.sections.reduce((sum, s) => sum + s.entries.length, 0)
      return {
        value: { out, sections: list.sections.length, entries, traps: list.traps.length },
        text: `${out}: ${entries} triggers in ${list.sections.length} sections, ${list.traps.length} traps`,
      }
    }
    const made = await sheetOf(plan, options)
    const { sheet } = made
    if (sheet.document.pages.length === 0)
      throw usageError('no label would be printed', sheet.unreadable[0]?.reason ?? 'place a command first')
    const written = await write(made, ending, out, options)
    const labels = sheet.labels?.labels ?? []
    const faults = labels.flatMap((label) => printFaults(label, made))
    return {
      value: {
        out: written,
        kind: made.kind,
        stock: sheet.stock.id,
        media: mediaOf(sheet.stock),
        pages: sheet.document.pages.length,
        labels: labels.length,
        shortened: labels.filter((l) => l.shortened).map((l) => l.controlId),
        cut: labels.filter((l) => l.isCut).map((l) => l.controlId),
        unreadable: sheet.unreadable,
        faults,
      },
      text: [
        `${written}: ${labels.length > 0 ? `${labels.length} labels on ` : ''}${sheet.document.pages.length} page(s) of ${sheet.stock.name}`,
        ...sheet.unreadable.map((u) => `left out ${u.what}: ${u.reason}`),
        ...labels.filter((l) => l.isCut && !l.isHidden).map((l) => `shortened, please look: ${l.legend}`),
        ...faults.map((f) => `look at ${f.what}: ${f.reason}`),
      ].join('\n'),
      findings: sheet.unreadable.length + faults.length > 0,
    }
  },
})

/** What a printer of one ink would not bring out well. */
function printFaults(label: Label, { fileOptions, font, dpi }: MadeSheet) {
  const check = checkPrint(label, dpi, font, fileOptions.rasterise)
  const reasons = [
    ...(check.thinDots > 0 ? [`strokes are thinner than ${leastStrokeDots} dots at ${dpi} dpi`] : []),
    ...(check.leavesLabel ? ['ink reaches the edge'] : []),
    ...(label.leftOut === '' ? [] : [label.leftOut]),
    ...(label.readsLike === '' ? [] : [`reads like the label of ${label.readsLike}; write a short text`]),
  ]
  return reasons.map((reason) => ({ what: label.legend, reason }))
}

/** Writes the file and returns its name; several pictures come as a zip. */
async function write(
  made: MadeSheet,
  ending: 'pdf' | 'svg' | 'png' | 'pwg' | 'zip',
  out: string,
  options: { readonly px: number | undefined; readonly bits: boolean | undefined },
): Promise<string> {
  const px = options.px === undefined ? undefined : Math.round(options.px)
  const isBits = options.bits === true
  const stem = (out.split(/[\\/]/).at(-1) ?? out).replace(/\.[^.]*$/, '')
  const fileOptions = { ...made.fileOptions, media: mediaOf(made.sheet.stock) }
  if (ending === 'zip' && made.sheet.faces) {
    writeOut(out, facesZip(made.sheet.faces, px ?? 144, stem, fileOptions).bytes)
    return out
  }
  const form: FileForm = ending === 'png' || ending === 'zip' ? (isBits ? 'png1' : 'png') : ending
  const file = await documentFile(made.sheet.document, form, stem, { ...fileOptions, px })
  const isZip = file.name.endsWith('.zip')
  if (ending === 'zip') {
    // a zip name gives a zip, one page or many
    writeOut(out, isZip ? file.bytes : zipOf(stem, [file]).bytes)
    return out
  }
  if (!isZip) {
    writeOut(out, file.bytes)
    return out
  }
  const name = out.replace(/\.[^.]*$/, '.zip')
  writeOther(name, file.bytes)
  return name
}
