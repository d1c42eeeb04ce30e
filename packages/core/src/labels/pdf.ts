import fontkit from '@pdf-lib/fontkit'
import { PDFDocument, grayscale, type PDFFont, type PDFPage } from 'pdf-lib'
import { signAdvance, type LabelLine } from './fit.js'
import type { LabelFont } from './font.js'
import { footMm, pageEdgeMm, type LabelSheet, type PlacedLabel } from './sheet.js'
import { modifierSigns } from './signs.js'

const ptFromMm = (lengthMm: number): number => (lengthMm * 72) / 25.4

/** Length of the scale at the foot of each page, by which a print is checked, mm. */
export const checkScaleMm = 50

/** The sheet as PDF with the font embedded: black on white, true millimetres, the same bytes in every run. */
export async function labelPdf(sheet: LabelSheet, font: LabelFont, title: string): Promise<Uint8Array> {
  const pdf = await PDFDocument.create({ updateMetadata: false })
  pdf.registerFontkit(fontkit)
  pdf.setTitle(title)
  pdf.setCreator('Reach Plot')
  pdf.setCreationDate(new Date(0))
  pdf.setModificationDate(new Date(0))
  const faces: PDFFont[] = []
  for (const [i, file] of font.files.entries())
    faces.push(await pdf.embedFont(file, { subset: true, customName: `Label-${i + 1}` }))
  for (const labels of sheet.pages) {
    const page = pdf.addPage([ptFromMm(sheet.paper.widthMm), ptFromMm(sheet.paper.heightMm)])
    for (const label of labels) drawLabel(page, label, font, faces)
    drawFoot(page, sheet, font, faces, title)
  }
  return pdf.save({ useObjectStreams: false })
}

function drawLabel(page: PDFPage, label: PlacedLabel, font: LabelFont, faces: readonly PDFFont[]): void {
  const top = page.getHeight() - ptFromMm(label.yMm)
  page.drawRectangle({
    x: ptFromMm(label.xMm),
    y: top - ptFromMm(label.heightMm),
    width: ptFromMm(label.widthMm),
    height: ptFromMm(label.heightMm),
    borderWidth: ptFromMm(0.1),
    borderColor: grayscale(0.55),
  })
  for (const line of label.lines) drawLine(page, label, line, font, faces)
}

function drawLine(
  page: PDFPage,
  label: PlacedLabel,
  line: LabelLine,
  font: LabelFont,
  faces: readonly PDFFont[],
): void {
  const baseline = page.getHeight() - ptFromMm(label.yMm + line.baselineMm)
  const left = label.xMm + line.xMm
  line.held.forEach((modifier, i) => {
    const x = left - (line.held.length - i) * signAdvance * line.capMm
    page.drawSvgPath(modifierSigns[modifier], {
      x: ptFromMm(x),
      y: baseline + ptFromMm(line.capMm),
      scale: ptFromMm(line.capMm),
      color: grayscale(0),
    })
  })
  drawText(page, line.text, ptFromMm(left), baseline, line.capMm, font, faces)
}

function drawText(
  page: PDFPage,
  text: string,
  xPt: number,
  yPt: number,
  capMm: number,
  font: LabelFont,
  faces: readonly PDFFont[],
): void {
  const size = ptFromMm(capMm / font.capRatio)
  let x = xPt
  for (const run of font.runs(text)) {
    const face = faces[run.file] as PDFFont
    page.drawText(run.text, { x, y: yPt, size, font: face, color: grayscale(0) })
    x += ptFromMm(font.widthMm(run.text, capMm))
  }
}

function drawFoot(
  page: PDFPage,
  sheet: LabelSheet,
  font: LabelFont,
  faces: readonly PDFFont[],
  title: string,
): void {
  const y = ptFromMm(pageEdgeMm)
  const line = (x0: number, y0: number, x1: number, y1: number): void =>
    page.drawLine({
      start: { x: ptFromMm(x0), y: y0 },
      end: { x: ptFromMm(x1), y: y1 },
      thickness: ptFromMm(0.2),
      color: grayscale(0),
    })
  line(pageEdgeMm, y, pageEdgeMm + checkScaleMm, y)
  for (const at of [0, 10, 20, 30, 40, 50])
    line(pageEdgeMm + at, y, pageEdgeMm + at, y + ptFromMm(at % 50 === 0 ? 3 : 1.5))
  const note = `This line is ${checkScaleMm} mm long when printed at 100 %. ${title}`
  const shown =
    font.missing(note).length === 0 ? note : `This line is ${checkScaleMm} mm long when printed at 100 %.`
  const room = sheet.paper.widthMm - 2 * pageEdgeMm
  const capMm = Math.min(2, (2 * room) / font.widthMm(shown, 2))
  drawText(page, shown, ptFromMm(pageEdgeMm), y + ptFromMm(footMm - 7), capMm, font, faces)
}
