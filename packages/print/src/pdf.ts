import fontkit from '@pdf-lib/fontkit'
import {
  concatTransformationMatrix,
  LineCapStyle,
  LineJoinStyle,
  PDFDocument,
  popGraphicsState,
  pushGraphicsState,
  rgb,
  setLineJoin,
  type Color,
  type PDFFont,
  type PDFPage,
} from 'pdf-lib'
import {
  flat,
  isPlain,
  noAdjust,
  pageMatrix,
  type Adjust,
  type Colour,
  type Document,
  type LabelFont,
  type PathMark,
  type TextMark,
} from '@reach-plot/core/drawing'
import { noProgress, type Progress } from './progress.js'

const ptFromMm = (lengthMm: number): number => (lengthMm * 72) / 25.4

const colourOf = (colour: Colour): Color => {
  const [r, g, b] = [1, 3, 5].map((at) => parseInt(colour.slice(at, at + 2), 16) / 255)
  return rgb(r as number, g as number, b as number)
}

/**
 * The pages as PDF with the font embedded, in true millimetres, the same bytes in every run.
 * @param progress told after each page; can ask to stop, which rejects with its reason
 */
export async function documentPdf(
  document: Document,
  font: LabelFont,
  adjust: Adjust = noAdjust,
  progress: Progress = noProgress,
): Promise<Uint8Array> {
  const pdf = await PDFDocument.create({ updateMetadata: false })
  pdf.registerFontkit(fontkit)
  pdf.setTitle(document.title)
  pdf.setCreator('Reach Plot')
  pdf.setCreationDate(new Date(0))
  pdf.setModificationDate(new Date(0))
  const faces = await embeddedFaces(pdf, document, font)
  for (const [done, drawing] of document.pages.entries()) {
    await progress(done, document.pages.length)
    const page = pdf.addPage([ptFromMm(drawing.widthMm), ptFromMm(drawing.heightMm)])
    page.pushOperators(pushGraphicsState(), setLineJoin(LineJoinStyle.Round))
    const m = pageMatrix(adjust, drawing.widthMm)
    // PDF counts y upwards from the bottom edge
    if (!isPlain(m)) {
      const up = ptFromMm(drawing.heightMm) * (1 - m.d) - ptFromMm(m.f)
      page.pushOperators(concatTransformationMatrix(m.a, 0, 0, m.d, ptFromMm(m.e), up))
    }
    for (const { mark, xMm, yMm } of flat(drawing.marks)) {
      if (mark.kind === 'text') drawText(page, mark, xMm, yMm, font, faces)
      else drawPath(page, mark, xMm, yMm)
    }
    page.pushOperators(popGraphicsState())
  }
  await progress(document.pages.length, document.pages.length)
  return pdf.save({ useObjectStreams: false })
}

/** The files of the font that the pages need, by their number. */
async function embeddedFaces(
  pdf: PDFDocument,
  document: Document,
  font: LabelFont,
): Promise<ReadonlyMap<number, PDFFont>> {
  const texts = document.pages.flatMap((page) => [...flat(page.marks)].map((p) => p.mark))
  const used = new Set(
    texts.flatMap((mark) => (mark.kind === 'text' ? font.runs(mark.text) : [])).map((r) => r.file),
  )
  const faces = new Map<number, PDFFont>()
  for (const [i, file] of font.files.entries())
    if (used.has(i)) faces.set(i, await pdf.embedFont(file, { subset: true, customName: `Label-${i + 1}` }))
  return faces
}

function drawPath(page: PDFPage, mark: PathMark, dxMm: number, dyMm: number): void {
  const scale = ptFromMm(mark.scale)
  page.drawSvgPath(mark.d, {
    x: ptFromMm(mark.xMm + dxMm),
    y: page.getHeight() - ptFromMm(mark.yMm + dyMm),
    scale,
    ...(mark.fill !== null && { color: colourOf(mark.fill) }),
    ...(mark.stroke !== null && {
      borderColor: colourOf(mark.stroke),
      borderWidth: ptFromMm(mark.strokeMm) / scale,
      borderLineCap: LineCapStyle.Round,
    }),
  })
}

function drawText(
  page: PDFPage,
  mark: TextMark,
  dxMm: number,
  dyMm: number,
  font: LabelFont,
  faces: ReadonlyMap<number, PDFFont>,
): void {
  const size = ptFromMm(mark.capMm / font.capRatio)
  const y = page.getHeight() - ptFromMm(mark.baselineMm + dyMm)
  let xMm = mark.xMm + dxMm
  for (const run of font.runs(mark.text)) {
    const color = colourOf(mark.colour)
    // PDF text has no marks that are moved to their letter
    if (run.isJoined)
      page.drawSvgPath(font.outline(run.text, mark.capMm, 0, 0), {
        x: ptFromMm(xMm),
        y,
        scale: ptFromMm(1),
        color,
      })
    else page.drawText(run.text, { x: ptFromMm(xMm), y, size, font: faces.get(run.file) as PDFFont, color })
    xMm += font.widthMm(run.text, mark.capMm)
  }
}
